import type { Plan } from '#core/plan/result'
import type { Slack } from '../../workers/simulator'

/** Water that keeps the grain between firm and soft, as long as nothing better is known. */
export interface SlackWords {
  says: string
  sure: boolean
}

const signed = (g: number): string => (g < 0 ? `− ${Math.round(-g)}` : `+ ${Math.round(g)}`)

/** "slack − 60 + 75 g": how far the pour may be off before somebody notices. First from the plan's own firm and soft pours; then from pots cooked. */
export function slackWords(
  { pour_g, firm_pour_g, soft_pour_g }: Plan['water'],
  slack: Slack | undefined,
): SlackWords {
  if (!slack) {
    const [less, more] = [firm_pour_g - pour_g, soft_pour_g - pour_g]
    if (less > 0 || more < 0) return { says: 'this is outside firm and soft', sure: false }
    return { says: `room for error: ${signed(less)} g less to ${signed(more)} g more`, sure: false }
  }
  const often = `${Math.round(100 * slack.chances.good)} of 100 kitchens`
  if (!slack.water) return { says: `no room for error: good in ${often}`, sure: true }
  return {
    says: `slack ${signed(Math.min(0, slack.water.fromG - pour_g))} ${signed(Math.max(0, slack.water.toG - pour_g))} g, in ${often}`,
    sure: true,
  }
}
