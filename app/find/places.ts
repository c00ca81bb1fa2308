import type { Thing } from './match'

const place = (label: string, to: string, more: string): Thing => ({ kind: 'Places', label, to, more })

/** Where one can go, and what one would call it. */
export const PLACES: readonly Thing[] = [
  place('Bench', '/', 'plan a pot, water, new'),
  place('Stove', '/stove', 'cook, what is on, timer'),
  place('Supper', '/supper', 'several dishes, guests, burners'),
  place('Share a batch out', '/supper/split', 'too much for one pot'),
  place('Shelf', '/shelf', 'grains, bags, what grain is this'),
  place('Pots and heat', '/pots', 'vessels, burners, measures, appliances'),
  place('Kept', '/kept', 'fridge, freezer, reheat'),
  place('Put away', '/kept/put-away', 'containers, cool, leftovers'),
  place('Notebook', '/notebook', 'cooks, diary, judged'),
  place('What was learned', '/notebook/learned', 'beliefs, corrections'),
  place('Trials', '/trials', 'compare, taste'),
  place('Copy from an old notebook', '/notebook/copy', 'import, paper'),
  place('Dry run', '/dry-run', 'simulate, what if'),
  place('Practice', '/practice', 'learn, situations'),
  place('Compare', '/compare', 'schools, beside each other'),
  place('By the hour', '/by', 'what can be ready, how quickly'),
  place('Another kitchen', '/elsewhere', 'translate, somebody else’s pot'),
  place('Dipstick', '/dipstick', 'true size, millimetres, finger'),
  place('The model', '/model', 'physics, sources, limits'),
  place('Other devices', '/devices', 'phone, network, passphrase, QR, certificate'),
  place('Take along and bring in', '/carry', 'export, import, household, packs, backup, JSON, CSV'),
  place('Settings', '/settings', 'elevation, units, who eats, sound, keys, devices'),
  { kind: 'Doing', label: 'Change the keys', to: '/settings#keys', more: 'shortcuts' },
  { kind: 'Doing', label: 'How this device calls', to: '/settings#senses', more: 'sound, voice, shake, notices' },
]
