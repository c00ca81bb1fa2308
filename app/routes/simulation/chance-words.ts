import type { Chances } from '#core/simulate/sweep'

/** Chances as a cook would say them. */
const often = (share: number): string =>
  share >= 0.995
    ? 'always'
    : share >= 0.9
      ? 'nearly always'
      : share >= 0.6
        ? 'mostly'
        : share >= 0.35
          ? 'about half the time'
          : share >= 0.1
            ? 'now and then'
            : share > 0
              ? 'rarely'
              : 'never'
const percent = (share: number): string => `${Math.round(share * 100)} %`

/** "Good in 96 of 100 kitchens, nearly always; 3 % end firm in the middle." */
export function chanceWords({
  good,
  runs,
  cookedThrough,
  soggy,
  uneven,
  scorched,
  texture,
}: Chances): string {
  const wrong = [
    { share: cookedThrough['firm-centred'], says: 'end firm in the middle' },
    { share: cookedThrough.chalky, says: 'end chalky' },
    { share: soggy, says: 'end too wet' },
    { share: scorched, says: 'scorch' },
    { share: uneven, says: 'end uneven' },
    { share: texture.dry, says: 'end dry' },
    { share: soggy > 0 ? 0 : texture.mushy, says: 'end overdone' },
  ].filter(({ share }) => share >= 0.005)
  return `Good in ${percent(good)} of ${runs} kitchens: ${often(good)}.${
    wrong.length > 0
      ? ` ${wrong
          .sort((a, b) => b.share - a.share)
          .slice(0, 3)
          .map(({ share, says }) => `${percent(share)} ${says}`)
          .join(', ')}.`
      : ''
  }`
}
