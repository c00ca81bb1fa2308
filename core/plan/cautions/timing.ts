import type { Facts } from '#core/plan/facts'
import type { Caution } from '#core/plan/result'

const SLOW_TO_BOIL = 25
const THIN_AIR_M = 1500

export function timingCautions({ request, solution, stages, boilC }: Facts): Caution[] {
  const found: Caution[] = []
  const heatUp = stages.find((stage) => stage.kind === 'heat-up' || stage.kind === 'pressure-up')
  const boiled = solution.course.ended[0] ?? true
  const stronger = { remedy: 'Move it to a stronger burner, or cook less at a time.' }
  if (!boiled)
    found.push({
      code: 'never-boils',
      severity: 'stop',
      about: 'timing',
      ...(request.method.startsWith('pressure')
        ? {
            text: 'The grain drinks its water before the vessel can seal.',
            remedy: 'Cook it in a covered pot.',
            mend: { method: 'covered-simmer', vessel: 'heavy-2.5', heat: 'gas-medium' },
          }
        : { text: 'This heat does not bring this pot to the boil: it loses as much as it gets.', ...stronger }),
    })
  else if (heatUp && heatUp.minutes.expected > SLOW_TO_BOIL)
    found.push({
      code: 'slow-to-boil',
      severity: 'warn',
      about: 'timing',
      text: `${Math.round(heatUp.minutes.expected)} minutes to the boil: the bottom swells long before the top is hot.`,
      ...stronger,
    })
  if (boiled && solution.course.outcome === 'never')
    found.push({
      code: 'never-done',
      severity: 'stop',
      about: 'timing',
      text: 'On this heat the grain does not cook through in four hours.',
      ...stronger,
    })
  if (request.elevationM >= THIN_AIR_M && !request.method.startsWith('pressure'))
    found.push({
      code: 'thin-air',
      severity: 'note',
      about: 'timing',
      text: `Water boils at ${boilC.toFixed(1)} °C up here, so everything takes longer; the times count that.`,
      remedy: 'A pressure pot cooks whole grain quicker here.',
    })
  return found
}
