/** Units that are written with a full stop: it ends no sentence. */
const ABBREVIATED = /\b(c|tsp|tbsp|tbs|oz|lbs?|pt|qt|hrs?|mins?)\.(?=[\s,])/gi

/** "1 c. rice, 8 fl. oz. water" as "1 c rice, 8 fl oz water". */
export const withoutStops = (text: string): string =>
  text.replace(/\bfl\.(?=\s?oz)/gi, 'fl').replace(ABBREVIATED, '$1')
