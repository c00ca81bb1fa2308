import ical, { ICalAlarmType } from 'ical-generator'
import { capital } from '#core/units/capital'
import type { KitchenUnits } from '#core/units/system'
import { localText } from '#core/units/local-text'
import { FOLLOW_LOCAL } from '#core/leftovers/guidance'
import type { Plan, Stage } from '#core/plan/result'
import type { StageAmount } from '#core/plan/stage-amount'
import { addInAmount, amountText, amountWords } from '#core/plan/stage-amounts'
import { timelineOf } from '#core/plan/timeline'
import { windowWord } from '#core/plan/window-word'
import { oneLine } from './one-line'

/** What a plan is called, and for what it was made. */
export interface Named {
  title: string
  /** Pot, heat, height: "heavy blue, big gas; 1120 m". */
  where: string
  /** Each grain with its amount as this kitchen says it. */
  grains: readonly { name: string; amount: string }[]
  units: KitchenUnits
  /** Whose recipe it is. */
  household: string
  /** When it was planned, "2026-03-05". */
  day: string
  /** Pot or appliance, and burner. */
  tools: readonly string[]
  /** A picture of the dish, as an address. */
  picture: string
}

const g = (grams: number): string => `${Math.round(grams)} g`
/** ISO 8601 minutes. */
const duration = (minutes: number): string => `PT${Math.max(0, Math.round(minutes))}M`
const inOrder = (plan: Plan): Stage[] => {
  const at = timelineOf(plan.stages)
  return [...plan.stages].sort(
    (a, b) => at.get(a.id)!.start - at.get(b.id)!.start || at.get(a.id)!.end - at.get(b.id)!.end,
  )
}

/** An amount as the step that measures it says it; in grams where several steps share it. */
function asMeasured(plan: Plan, what: StageAmount['what'], grams: string): string {
  const amounts = plan.stages.flatMap((s) => s.amounts ?? []).filter((a) => a.what === what)
  const [only] = amounts
  return only && amounts.length === 1 && plan.said_in === 'measures'
    ? amountText(only, { saidIn: 'measures' })
    : grams
}

function ingredientsOf(plan: Plan, { grains, units }: Named): string[] {
  const { water, seasoning } = plan
  return [
    ...grains.map(({ name, amount }) => `${amount} ${name.toLowerCase()}, dry`),
    `${asMeasured(plan, 'water', g(water.pour_g))} water${water.clinging_g + water.soaked_in_g > 0 ? ', to pour after draining' : ''}`,
    ...(water.boiler_g === undefined ? [] : [`${g(water.boiler_g)} water under the basket`]),
    ...(seasoning.salt_to_add_g >= 0.1
      ? [`${asMeasured(plan, 'salt', `${seasoning.salt_to_add_g.toFixed(1)} g`)} salt`]
      : []),
    ...seasoning.add_ins.map((a) =>
      amountWords(addInAmount(a, { measures: [] }), { saidIn: plan.said_in ?? 'grams' }),
    ),
  ].map((line) => localText(line, units))
}

const stepOf = (stage: Stage): string =>
  [
    `${stage.title}${stage.ends_on === 'cue' && stage.cue ? `, until ${stage.cue}` : ''} (${windowWord(stage.minutes, stage.ends_on, ' to ')}).`,
    ...stage.checks.map((check) => `${capital(check)}.`),
  ].join(' ')

/** The plan as schema.org's Recipe, in JSON-LD. @see https://schema.org/Recipe */
export function recipeLd(plan: Plan, named: Named): Record<string, unknown> {
  const hot = plan.stages
    .filter((s) => s.power_w > 0 || s.kind === 'rest')
    .reduce((sum, s) => sum + s.minutes.expected, 0)
  const total = plan.total_minutes.expected
  return {
    '@context': 'https://schema.org',
    '@type': 'Recipe',
    name: named.title,
    description: named.where,
    image: [named.picture],
    author: { '@type': 'Organization', name: named.household },
    datePublished: named.day,
    recipeYield: [
      String(plan.yield.servings),
      `${localText(g(plan.yield.cooked_mass_g), named.units)} cooked`,
    ],
    prepTime: duration(Math.max(0, total - hot)),
    cookTime: duration(Math.min(hot, total)),
    totalTime: duration(total),
    tool: [...named.tools, ...(plan.stages.some(({ kind }) => kind === 'drain') ? ['sieve'] : [])].map(
      (name) => ({ '@type': 'HowToTool', name }),
    ),
    recipeIngredient: ingredientsOf(plan, named),
    recipeInstructions: inOrder(plan).map((stage) => ({
      '@type': 'HowToStep',
      name: stage.title,
      text: stepOf(stage),
    })),
  }
}

/** Signs that mean something in Markdown mean themselves. */
const plain = (text: string): string => text.replace(/[\\`*_{}[\]<>#|]/g, '\\$&').replace(/\s+/g, ' ')

/** The plan as plain text, to read or to print. */
export function recipeMarkdown(plan: Plan, named: Named): string {
  const grave = plan.cautions.filter((c) => c.severity !== 'note' || c.about === 'burn')
  return [
    `# ${plain(named.title)}`,
    '',
    `${plain(named.where)}. Serves ${plan.yield.servings} with ${localText(g(plan.yield.cooked_mass_g), named.units)} cooked, in about ${Math.round(plan.total_minutes.expected)} min.`,
    '',
    ...ingredientsOf(plan, named).map((line) => `- ${plain(line)}`),
    '',
    ...inOrder(plan).map((stage, i) => `${i + 1}. ${plain(stepOf(stage))}`),
    '',
    ...(grave.length > 0 ? ['## Take care', '', ...grave.map((c) => `- ${plain(c.text)}`), ''] : []),
    `Makers’ manuals come first. ${plain(FOLLOW_LOCAL)}`,
    '',
  ].join('\n')
}

/**
 * The plan's steps for a calendar; hands-on steps have an alarm.
 * @param startMs when it begins
 * @param uid the same plan has the same events
 */
export function recipeCalendar(plan: Plan, { title: given }: Named, startMs: number, uid: string): string {
  const title = oneLine(given)
  const calendar = ical({ name: title, prodId: { company: 'omsel', product: 'plan', language: 'EN' } })
  const at = timelineOf(plan.stages)
  const moment = (minute: number) => new Date(Math.round(startMs + minute * 60_000))
  for (const stage of inOrder(plan)) {
    const { start, end } = at.get(stage.id)!
    const event = calendar.createEvent({
      id: `${uid}-${stage.id}`,
      start: moment(start),
      end: moment(Math.max(end, start + 1)),
      summary: `${title}: ${stage.title}`,
      description: stepOf(stage),
      stamp: new Date(startMs),
    })
    if (stage.hands_on || stage.ends_on === 'cue')
      event.createAlarm({ type: ICalAlarmType.display, triggerBefore: 30, description: stage.title })
  }
  const table = moment(plan.total_minutes.expected)
  calendar.createEvent({
    id: `${uid}-table`,
    start: table,
    end: new Date(table.getTime() + 60_000),
    summary: `${title}: serve`,
    stamp: new Date(startMs),
  })
  return calendar.toString()
}
