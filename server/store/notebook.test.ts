import { beliefsFrom, knownFigures } from '#core/learn/beliefs'
import { evidenceIn } from './notebook'

/** A line of evidence as a household of version 1.0.0 has stored it. */
const STORED =
  '{"cookId":"a","endedMs":1000,"grainKey":"short-white","bagId":null,"vesselId":"blue","heatId":"gas","heldOver":0.05,"steamPerDry":0.2,"applied":{"uptake":0,"steam":0,"power":0,"time":0},"judged":{"wetDry":1,"hardness":0},"boilFactor":null,"steamFactor":null}'

test('evidence stored by version 1 still teaches', () => {
  const evidence = evidenceIn(STORED)
  expect(evidence.extraUptake).toBe(0.05)
  const figures = knownFigures(beliefsFrom([evidence]))
  expect(Object.values(figures).every(({ mean, sd }) => Number.isFinite(mean) && sd > 0)).toBe(true)
})
