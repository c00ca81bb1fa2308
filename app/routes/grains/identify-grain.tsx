import { NumberInput, Radio, Select, SegmentedControl } from '@mantine/core'
import { useMemo, useState } from 'react'
import { Link } from 'react-router'
import type { UnitSystem } from '#core/units/system'
import { COATS, identify, substitutesFor, type Handful, type Identified } from '#core/grain/identify'
import { VARIETIES, varietyOf, type VarietyId } from '#core/grain/varieties'
import { UnitNumber } from '../../ui/units/unit-number'
import { useUnits } from '../../ui/units/units'
import { Kernel } from '../../ui/drawing/grain-pattern'
import { kernelPath } from '../../ui/drawing/scatter-grains'
import classes from './grains.module.css'

const TEN = 10
/** Ten kernels end to end or side by side reach this far at most, mm. */
const LIMITS = { length: [5, 160], width: [4, 60] } as const

/** Ten kernels along a ruler say what the grain is; a grain that is missing has its nearest neighbours on the shelf. */
export function IdentifyGrain({ shelf: grainBags }: { shelf: readonly VarietyId[] }) {
  const [mode, setMode] = useState<'what' | 'instead'>('what')
  return (
    <section className={`${classes.what} basin`} aria-label="What grain is this?">
      <SegmentedControl
        value={mode}
        onChange={(next) => setMode(next as typeof mode)}
        data={[
          { value: 'what', label: 'What grain is this?' },
          { value: 'instead', label: 'Substitutes' },
        ]}
      />
      {mode === 'what' ? <TenKernels /> : <StandIns shelf={grainBags} />}
    </section>
  )
}

/** "7.0 by 2.1 mm": a kernel is finer than the marks of a ruler in inches. */
const kernelSize = ({ lengthMm, widthMm }: Identified, system: UnitSystem): string =>
  system === 'us'
    ? `${(lengthMm / 25.4).toFixed(2)} by ${(widthMm / 25.4).toFixed(2)} in`
    : `${lengthMm.toFixed(1)} by ${widthMm.toFixed(1)} mm`

function TenKernels() {
  const { say, system, number } = useUnits()
  const [length, setLength] = useState<number | ''>(70)
  const [width, setWidth] = useState<number | ''>(21)
  const [coat, setCoat] = useState<Handful['coat']>('white')
  const [odd, setOdd] = useState({ broken: 0, chalky: 0, other: 0 })
  const found = useMemo<Identified | undefined>(() => {
    const [l, w] = [Number(length), Number(width)]
    if (!(l >= LIMITS.length[0] && l <= LIMITS.length[1] && w >= LIMITS.width[0] && w <= LIMITS.width[1]))
      return undefined
    const ten = (mm: number) => Array<number>(TEN).fill(mm / TEN)
    return identify({ lengths: ten(l), widths: ten(w), coat, ...odd })
  }, [length, width, coat, odd])
  return (
    <div className={classes.ten}>
      <div>
        <Ruler length={Number(length) || 0} width={Number(width) || 0} />
        <div className={classes.row}>
          <UnitNumber
            kind="length"
            label="10 grains end to end, mm"
            description={say(`${LIMITS.length.join(' to ')} mm`)}
            value={length}
            onChange={setLength}
            min={LIMITS.length[0]}
            max={LIMITS.length[1]}
            error={
              found || length === '' || within(length, LIMITS.length)
                ? undefined
                : say(`must be ${LIMITS.length.join(' to ')} mm`)
            }
          />
          <UnitNumber
            kind="length"
            label="10 grains side by side, mm"
            description={say(`${LIMITS.width.join(' to ')} mm`)}
            value={width}
            onChange={setWidth}
            min={LIMITS.width[0]}
            max={LIMITS.width[1]}
            error={
              found || width === '' || within(width, LIMITS.width)
                ? undefined
                : say(`must be ${LIMITS.width.join(' to ')} mm`)
            }
          />
        </div>
        <Radio.Group label="Colour" value={coat} onChange={(next) => setCoat(next as Handful['coat'])}>
          <div className={classes.row}>
            {COATS.map((c) => (
              <Radio key={c} value={c} label={c} />
            ))}
          </div>
        </Radio.Group>
        <div className={classes.row}>
          {(['broken', 'chalky', 'other'] as const).map((kind) => (
            <NumberInput
              key={kind}
              label={kind === 'other' ? 'other grain' : kind}
              value={odd[kind]}
              min={0}
              max={TEN}
              clampBehavior="strict"
              allowDecimal={false}
              onChange={(n) => setOdd({ ...odd, [kind]: Number(n) || 0 })}
            />
          ))}
        </div>
      </div>
      <div aria-live="polite">
        {found ? (
          <>
            <p className={classes.verdict}>
              <b className="figure">{varietyOf(found.likely[0]!.id).name}</b>, most likely:{' '}
              {say(kernelSize(found, system))}, {number(found.slenderness, 1)} times as long as wide
              {found.class === 'round' ? '' : `, class: ${found.class}`}.
            </p>
            <ol className={classes.likely}>
              {found.likely.map(({ id, distance }) => (
                <li key={id}>
                  <Kernel variety={varietyOf(id)} height={26} />
                  <span>{varietyOf(id).name}</span>
                  <span className="quiet">
                    {distance < 0.35 ? 'fits' : distance < 1 ? 'near' : 'unlikely'}
                  </span>
                  <Link to={`/?grain=${id}`}>plan it</Link>
                </li>
              ))}
            </ol>
            <ul className={classes.remarks}>
              {found.remarks.map((remark) => (
                <li key={remark}>{remark}</li>
              ))}
            </ul>
          </>
        ) : (
          <p className="quiet">
            Line up ten grains along a ruler, end to end and then side by side, and enter both lengths.
          </p>
        )}
      </div>
    </div>
  )
}

const within = (value: number | string, [min, max]: readonly [number, number]) =>
  Number(value) >= min && Number(value) <= max

/** Ten kernels of the measured size, along a ruler of that length. */
function Ruler({ length, width }: { length: number; width: number }) {
  const { say } = useUnits()
  const one = length / TEN
  const kernel = {
    lengthMm: Math.max(0.5, one),
    widthMm: Math.max(0.4, Math.min(width / TEN, one || 1)),
    shape: one / Math.max(0.1, width / TEN) < 1.3 ? 'round' : 'grain',
  } as const
  const reach = Math.max(60, Math.min(160, length + 6))
  return (
    <svg
      viewBox={`-4 -10 ${reach + 8} 26`}
      className={classes.ruler}
      role="img"
      aria-label={say(`Ten kernels, ${length} mm end to end`)}
    >
      {Array.from({ length: TEN }, (_, i) => (
        <path
          key={i}
          d={kernelPath(kernel)}
          transform={`translate(${(i + 0.5) * one} -3)`}
          className={classes.rulerKernel}
        />
      ))}
      <path d={`M0 2H${reach}`} className={classes.rulerLine} />
      {Array.from({ length: Math.floor(reach / 5) + 1 }, (_, i) => (
        <path key={i} d={`M${i * 5} 2v${i % 2 === 0 ? 4 : 2.4}`} className={classes.rulerLine} />
      ))}
      {Array.from({ length: Math.floor(reach / 20) + 1 }, (_, i) => (
        <text key={i} x={i * 20} y={12} fontSize={5} textAnchor="middle">
          {i * 20}
        </text>
      ))}
    </svg>
  )
}

function StandIns({ shelf: grainBags }: { shelf: readonly VarietyId[] }) {
  const [missing, setMissing] = useState<VarietyId>('jasmine')
  const near = substitutesFor(varietyOf(missing), grainBags.map(varietyOf)).slice(0, 4)
  return (
    <div>
      <Select
        label="The grain that is missing"
        data={VARIETIES.map((v) => ({ value: v.id, label: v.name }))}
        value={missing}
        searchable
        allowDeselect={false}
        onChange={(id) => id && setMissing(id as VarietyId)}
        mt="sm"
        maw={320}
      />
      <ol className={classes.likely}>
        {near.map(({ id, distance }) => {
          const [a, b] = [varietyOf(missing), varietyOf(id)]
          return (
            <li key={id}>
              <Kernel variety={b} height={26} />
              <span>
                {b.name}
                <span className="quiet small">
                  {' '}
                  {water(b.uptake.standard - a.uptake.standard)}, {time(b.minutesAt100 - a.minutesAt100)}
                </span>
              </span>
              <span className="quiet">
                {distance < 1 ? 'hard to see' : distance < 2 ? 'slightly different' : 'another dish'}
              </span>
              <Link to={`/?grain=${id}`}>plan this instead</Link>
            </li>
          )
        })}
      </ol>
      {near.length === 0 && <p className="quiet">You have no other grain.</p>}
    </div>
  )
}

const water = (delta: number) =>
  Math.abs(delta) < 0.05
    ? 'the same water'
    : `${Math.abs(Math.round(delta * 100))} % of its weight ${delta > 0 ? 'more' : 'less'} water`
const time = (minutes: number) =>
  Math.abs(minutes) < 2
    ? 'the same time'
    : `${Math.abs(Math.round(minutes))} min ${minutes > 0 ? 'longer' : 'shorter'}`
