import type { Thing } from './match'

const place = (label: string, to: string, more: string): Thing => ({ kind: 'Places', label, to, more })

/** Where one can go, and what one would call it. */
export const PLACES: readonly Thing[] = [
  place('Plan', '/', 'plan a pot, water, new'),
  place('Stove', '/stove', 'cook, what is on, timer'),
  place('Meal', '/supper', 'several dishes, guests, burners'),
  place('Split a batch between pots', '/supper/split', 'too much for one pot'),
  place('Grains', '/shelf', 'grains, bags, what grain is this'),
  place('Pots and burners', '/pots', 'vessels, burners, measures, appliances'),
  place('Leftovers', '/kept', 'fridge, freezer, reheat'),
  place('Put away', '/kept/put-away', 'containers, cool, leftovers'),
  place('Notebook', '/notebook', 'cooks, diary, judged'),
  place('What Omsel has learned', '/notebook/learned', 'beliefs, corrections'),
  place('Taste tests', '/trials', 'compare, taste'),
  place('Import an old notebook', '/notebook/copy', 'import, paper'),
  place('Simulation', '/dry-run', 'simulate, what if'),
  place('Practice', '/practice', 'learn, situations'),
  place('Compare', '/compare', 'methods, side by side'),
  place('What can be ready by …', '/by', 'what can be ready, how quickly'),
  place('Convert for another kitchen', '/elsewhere', 'convert, a recipe from another kitchen'),
  place('On-screen ruler', '/dipstick', 'true size, millimetres, finger'),
  place('The model', '/model', 'physics, sources, limits'),
  place('Other devices', '/devices', 'phone, network, passphrase, QR, certificate'),
  place('Export and import', '/carry', 'export, import, household, packs, backup, JSON, CSV'),
  place('Settings', '/settings', 'altitude, units, people, sound, keys, devices'),
  { kind: 'Actions', label: 'Change the keys', to: '/settings#keys', more: 'shortcuts' },
  {
    kind: 'Doing',
    label: 'Alerts on this device',
    to: '/settings#senses',
    more: 'sound, voice, shake, notices',
  },
]
