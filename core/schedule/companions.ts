/** A dish that often stands beside grain, as a start: its steps as they are typed, one a line. */
export interface UsualCompanion {
  title: string
  tasks: string
}

/** Limits of a companion a household saved: characters, and how many there may be. */
export const COMPANION_LIMITS = Object.freeze({ title: 80, tasks: 4000, most: 100 } as const)

/**
 * Usual companions. Minutes are usual ones for four people, as cooks say them; each is changed to one's
 * own dish before it is added.
 */
export const USUAL_COMPANIONS: readonly UsualCompanion[] = [
  {
    title: 'roast roots',
    tasks: 'Peel and cut the roots; 15 min; hands\nRoast them; 45 min; oven; look every 20',
  },
  {
    title: 'stew',
    tasks:
      'Cut everything; 20 min; hands\nBrown it; 12 min; burner; hands\nSimmer it, lid ajar; 75 min; burner; look every 20',
  },
  {
    title: 'soup',
    tasks:
      'Cut the vegetables; 12 min; hands\nSweat the onions; 8 min; burner; hands\nSimmer it; 25 min; burner; look every 10',
  },
  {
    title: 'steamed greens',
    tasks:
      'Wash and trim them; 8 min; hands\nWater to the boil; 6 min; burner\nSteam them; 5 min; burner; hands',
  },
  { title: 'fried eggs', tasks: 'Fry the eggs; 6 min; burner; hands' },
  {
    title: 'baked fish',
    tasks:
      'Oil and season it; 6 min; hands\nHeat the oven; 15 min; oven\nBake it; 18 min; oven; look every 9',
  },
  {
    title: 'tomato sauce',
    tasks:
      'Cut onion and garlic; 6 min; hands\nSoften them; 8 min; burner; hands\nSimmer the sauce; 25 min; burner; look every 8',
  },
  {
    title: 'stir-fried vegetables',
    tasks: 'Cut the vegetables; 15 min; hands\nHeat the pan; 3 min; burner\nFry them; 7 min; burner; hands',
  },
  { title: 'salad', tasks: 'Wash and cut it; 12 min; hands\nDress it; 2 min; hands' },
]
