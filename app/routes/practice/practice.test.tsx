import { replay, type RunningCook } from '#core/cook/replay'
import { runActions } from '#core/practice/run-actions'
import { debriefOf } from '#core/practice/debrief'
import type { Act, PlayerActions } from '#core/practice/player-actions'
import { endingOf } from '#core/practice/ending'
import { signsOf } from '#core/practice/signs'
import { kitchenOf } from '#core/practice/situation'
import { situationOf } from '#core/practice/situations'
import { vesselPreset } from '#core/vessel/presets'
import { htmlOf, textOf } from '../../../tests/helpers/render'
import { PotOutside } from '../../ui/drawing/pot-outside'
import { Debrief, endingWord } from './debrief'
import { Controls, settingsNow } from './controls'
import type { Practice } from './use-practice'

const of = (id: string) => ({ situation: situationOf(id)!, kitchen: kitchenOf(situationOf(id)!) })
const BASE: PlayerActions = {
  washes: 3,
  soakMinutes: 0,
  pourG: 0,
  heats: [{ atMin: 0, level: 'high' }],
  lids: [],
  putInMin: null,
  ventMin: null,
  serveMin: 12,
}
const still = () => {}

/** A practice at a minute, as far as the hands look at it. */
function at(id: string, playerActions: PlayerActions | undefined, acts: Act[] = []): Practice {
  const { kitchen } = of(id)
  const running: RunningCook = {
    plan: kitchen.card,
    startedMs: 0,
    pot: { lossWK: 1, openArea: 0.03, boilC: kitchen.card.boil_c, kitchenC: 18 },
  }
  const handled = playerActions && runActions(kitchen.real, playerActions, kitchen.heldMinutes)
  return {
    now: 0,
    speed: 10,
    setSpeed: still,
    passBy: still,
    view: replay(running, [], 0),
    running,
    press: still,
    act: still,
    pourG: 120,
    pour: still,
    acts,
    doing: playerActions,
    handled,
    signs: handled && playerActions && signsOf(handled, playerActions.serveMin),
    again: still,
  }
}
const act = (kind: Act['kind'], more: Partial<Act> = {}): Act => ({ id: kind, atMs: 0, kind, ...more })
const hands = (id: string, practice: Practice, pouring = false) =>
  textOf(
    <Controls practice={practice} kitchen={of(id).kitchen} situation={of(id).situation} pouring={pouring} />,
  )

describe('hands', () => {
  test('pour with a jug on the scale, by steps and by the card', () => {
    const text = hands('first-bubbles', at('first-bubbles', undefined), true)
    expect(text).toContain('120 g measured')
    expect(text).toContain(`as on the card ${Math.round(of('first-bubbles').kitchen.card.water.pour_g)}`)
    expect(text).toMatch(/−50 −5 \+5 \+50/)
    // Neither knob nor lid before there is a pot.
    expect(text).not.toContain('Burners')
  })

  test('a pot has a knob of five places and a lid of three; an appliance has a switch, a pressure cooker no lid to move', () => {
    const playerActions = { ...BASE, pourG: 600 }
    expect(hands('first-bubbles', at('first-bubbles', playerActions))).toMatch(
      /Heat off lowest low medium full Lid on ajar off Serve now/,
    )
    expect(hands('the-beep', at('the-beep', playerActions))).toMatch(/Switch off pressed Lid on ajar off/)
    const pressed = hands('let-out-at-once', at('let-out-at-once', playerActions))
    expect(pressed).toMatch(/Switch off lid locked, start/)
    expect(pressed).not.toMatch(/Lid on/)
    // Sealed, it can be let out, does not open, and the usual words stand beside it.
    expect(pressed).toContain('Quick release')
    expect(pressed).toContain('never force the lid')
    const html = htmlOf(
      <Controls
        practice={at('let-out-at-once', playerActions)}
        kitchen={of('let-out-at-once').kitchen}
        situation={of('let-out-at-once').situation}
        pouring={false}
      />,
    )
    expect(/<button([^>]*)>Serve now/.exec(html)![1]).toContain('disabled')
  })

  test('a situation set aside has one key of its own', () => {
    const playerActions = { ...BASE, pourG: 500 }
    expect(hands('slow-and-fast', at('slow-and-fast', playerActions))).toContain('White in')
    expect(
      hands('slow-and-fast', at('slow-and-fast', { ...playerActions, putInMin: 3 }, [act('put-in')])),
    ).toContain('White in: done')
    expect(hands('first-bubbles', at('first-bubbles', playerActions))).not.toContain('White in')
  })

  test('stand where they were put last', () => {
    expect(settingsNow([])).toEqual({ level: 'off', lid: 'on', putIn: false, vented: false })
    expect(
      settingsNow([
        act('heat', { level: 'high' }),
        act('lid', { lid: 'ajar' }),
        act('heat', { level: 'low' }),
        act('vent'),
      ]),
    ).toEqual({ level: 'low', lid: 'ajar', putIn: false, vented: true })
  })
})

describe('the debrief', () => {
  const cooker = of('the-beep')
  const filled = { ...BASE, pourG: cooker.kitchen.card.water.pour_g }
  const { click } = runActions(cooker.kitchen.real, { ...filled, serveMin: 120 }).marks
  const debriefAt = (afterMin: number) =>
    textOf(
      <Debrief
        situation={cooker.situation}
        kitchen={cooker.kitchen}
        doing={{ ...filled, serveMin: click! + afterMin }}
        again={still}
      />,
    )

  test('of a pot opened at the click says what it came to, why, and what to try; the sentence is for those who got there', () => {
    const text = debriefAt(0.2)
    expect(text).toContain('It came out hard in the middle')
    expect(text).toMatch(
      /You opened it 1\d s after the click\. .*ten minutes later it is separate, cooked through/,
    )
    expect(text).toMatch(/Next time Leave/)
    expect(text).toContain(cooker.situation.trap)
    expect(text).not.toContain(cooker.situation.learned)
  })

  test('of a good one gives the sentence, and proposes nothing', () => {
    const text = debriefAt(14)
    expect(text).toContain('It came out: separate, cooked through')
    expect(text).toContain(cooker.situation.learned)
    expect(text).not.toContain('Next time')
  })

  test('every action is described with “more” or “less”, never with a bare sign', () => {
    const { situation, kitchen } = of('the-thin-pan')
    const playerActions: PlayerActions = {
      ...BASE,
      pourG: kitchen.card.water.pour_g,
      heats: [
        { atMin: 0, level: 'high' },
        { atMin: 3, level: 'medium' },
        { atMin: 19, level: 'off' },
      ],
      serveMin: 30,
    }
    const text = textOf(
      <Debrief situation={situation} kitchen={kitchen} doing={playerActions} again={still} />,
    )
    for (const action of debriefOf(kitchen, playerActions, situation.about).deeds)
      expect(text).toContain(action.says)
    expect(text).toMatch(/burnt at the bottom/)
    expect(text).toMatch(/\d+ g (more|less) steam/)
    expect(text).not.toMatch(/[+−]\d/)
  })

  test('soft where firm was wanted is said as what it missed', () => {
    const { kitchen } = of('wet-grain')
    const off = (pourG: number) =>
      endingOf(
        runActions(kitchen.real, {
          ...BASE,
          pourG,
          heats: [
            { atMin: 0, level: 'high' },
            { atMin: 6, level: 'lowest' },
            { atMin: 22, level: 'off' },
          ],
          serveMin: 33,
        }),
      )
    expect(endingWord(off(kitchen.card.water.pour_g - 50))).toBe('softer than planned')
    expect(endingWord(off(kitchen.right.water.pour_g))).toBe('separate, cooked through')
  })
})

test('a pot from outside shows its heat by height, its lid by place, and steam by strands', () => {
  const drawn = (level: 'off' | 'low' | 'high', lid: 'on' | 'ajar' | 'off', steam: number) =>
    htmlOf(
      <PotOutside vessel={vesselPreset('heavy-3.5')} lid={lid} level={level} steam={steam} title="The pot" />,
    )
  const flame = (html: string) =>
    Math.max(0, ...[...html.matchAll(/Q[-\d.]+ [-\d.]+ [-\d.]+ ([-\d.]+)Q/g)].map((m) => 40 - Number(m[1])))
  expect(flame(drawn('off', 'on', 0))).toBe(0)
  expect(flame(drawn('high', 'on', 0))).toBeGreaterThan(flame(drawn('low', 'on', 0)))
  const strands = (html: string) => [...html.matchAll(/q-7 -10/g)].length
  expect([0, 2, 9, 60].map((steam) => strands(drawn('high', 'on', steam)))).toEqual([0, 1, 3, 6])
  const lids = (['on', 'ajar', 'off'] as const).map(
    (lid) => /<g transform="([^"]+)"/.exec(drawn('off', lid, 0))![1],
  )
  expect(new Set(lids).size).toBe(3)
})
