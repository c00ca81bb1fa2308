/**
 * What a meal is made of, for the timetable: blocks that hang together, each with what it wants of the
 * kitchen and when. Minutes.
 */
import type { HeatLevel } from '#core/heat/sources'

/** What a stretch of a block occupies. */
export interface Need {
  /** Minutes after the block's start, and for how long. */
  from: number
  minutes: number
  /** Whether it needs a cook. */
  hands: boolean
  /** The place it takes: any burner, the oven, or one appliance. */
  place: 'burner' | 'oven' | 'appliance' | null
}

/** A piece of work that cannot be torn: its stretches follow one another as given. */
export interface Block {
  id: string
  dish: string
  minutes: number
  needs: Need[]
  /** Blocks that come before it, of this dish or another, each with how long it may wait at the most. */
  after: { id: string; mostWait: number }[]
  /** Dishes that come before it, until they are joined to it (see join-dishes.ts). */
  afterDishes?: readonly string[]
  /** The pot it is cooked in, where other dishes may want the same. */
  pot?: PotUse
  /** It stays on the burner of this block, which follows it: its steam cooks it. */
  underBlock?: string
  /** Which appliance, where one is needed. */
  appliance?: string
  /** Minutes on each burner, where they differ: the block is then as long as there. */
  onBurner?: Readonly<Record<string, { minutes: number; needs: Need[] }>>
  /** The stages or tasks in it, with their place. */
  tasks: TaskAt[]
  tasksOnBurner?: Readonly<Record<string, TaskAt[]>>
}

/** When a block has a pot for itself. */
export interface PotUse {
  id: string
  /** Minutes after the block's start at which the pot is filled. */
  from: number
  /** Minutes before the block's end at which it is emptied; left out: full until what follows begins. */
  emptyBeforeEnd?: number
}
/** An emptied pot is washed and filled again after this long, minutes. */
export const WASH_MIN = 5

export interface TaskAt {
  id: string
  title: string
  from: number
  minutes: number
  hands: boolean
  place: Need['place']
  /** Of a plan's own steps: how strong the heat is. */
  heat?: HeatLevel
  /** How much less and more it may take, one standard deviation each, minutes; none where a clock ends it. */
  early?: number
  late?: number
}

export interface Dish {
  id: string
  title: string
  blocks: Block[]
  /** Ready this long before serving at most, minutes. */
  holdMost: number
  /** Beyond this it has to be kept hot out of its pot, which another dish needs, minutes. */
  keepsMost?: number
}

export interface KitchenPlaces {
  burners: readonly { id: string }[]
  /** Whether there is one, and how many dishes it takes. */
  oven: number
  appliances: readonly string[]
  /** Number of cooks. */
  cooks: number
}

export interface Placed {
  block: Block
  /** Minutes before serving, 0 or less. */
  start: number
  end: number
  /** The burner, the oven or the appliance it is on. */
  at?: string
}

/** A block that has happened, is under way, or must follow: its time is fixed. */
export interface FixedBlock {
  block: Block
  /** Minutes from the hour that was asked for: before it negative, after it positive. */
  start: number
  at?: string
}

/** How good a timetable is, the gravest first: what is not done, minutes of holding, and how early it starts. */
export interface Cost {
  undone: number
  held: number
  span: number
}
export const costlier = (a: Cost, b: Cost): number =>
  a.undone - b.undone || a.held - b.held || a.span - b.span
