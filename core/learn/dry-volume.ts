import { VARIETIES, varietyOf } from '#core/grain/varieties'

/**
 * Dry volume of so much of a grain or blend.
 * @param key of `grainKeyOf`; a variety nobody knows counts as white rice
 * @param grams dry
 * @returns mL as it is scooped
 */
export function dryVolumeOf(key: string, grams: number): number {
  return key.split(' + ').reduce((ml, part) => {
    const [id = '', share = '1'] = part.split(' ')
    const variety = VARIETIES.find((v) => v.id === id) ?? varietyOf('long-white')
    return ml + (grams * Number(share)) / variety.bulkDensity
  }, 0)
}
