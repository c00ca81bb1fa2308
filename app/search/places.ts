import type { SearchEntry } from './match'
import { SETTINGS_PAGES } from './settings-pages'

const place = (label: string, to: string, more: string): SearchEntry => ({ kind: 'Places', label, to, more })

/** Where one can go, and what one would call it. */
export const PLACES: readonly SearchEntry[] = [
  place('Plan', '/', 'plan a pot, water, new'),
  place('Stove', '/stove', 'cook, what is on, timer'),
  place('Meal', '/meal', 'several dishes, guests, burners'),
  place('Split a batch between pots', '/meal/split', 'too much for one pot'),
  place('Grains', '/grains', 'grains, bags, what grain is this'),
  place('Pots and burners', '/pots', 'vessels, burners, measures, appliances'),
  place('Leftovers', '/leftovers', 'fridge, freezer, reheat'),
  place('Store leftovers', '/leftovers/put-away', 'put away, containers, cool'),
  place('Notebook', '/notebook', 'cooks, diary, judged'),
  place('What Omsel has learned', '/notebook/learned', 'beliefs, corrections'),
  place('Taste tests', '/taste-tests', 'compare, taste'),
  place('Import an old notebook', '/notebook/copy', 'import, paper'),
  place('Simulation', '/simulation', 'simulate, what if'),
  place(
    'What went wrong with mine?',
    '/simulation#wrong',
    'why, help, mushy, crunchy, hard, soggy, wet, dry, burnt, sticky, undercooked',
  ),
  place('Does my way work?', '/my-way', 'check my own steps, is my way sound, packet, saved ways'),
  place('Practice', '/practice', 'learn, situations'),
  place('Compare', '/compare', 'methods, side by side'),
  place('What can be ready by …', '/ready-by', 'what can be ready, how quickly'),
  place('Convert for another kitchen', '/convert', 'convert, a recipe from another kitchen'),
  place('On-screen ruler', '/ruler', 'true size, millimetres, finger'),
  place('The model', '/model', 'physics, sources, limits'),
  ...SETTINGS_PAGES,
]
