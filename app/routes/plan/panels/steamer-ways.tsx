import type { ReactNode } from 'react'
import { useUnits } from '../../../ui/units/units'
import classes from './steamer-ways.module.css'

/** Steamers made of what there is; each draws what holds the grain and where the steam gets out. */
const WAYS: { id: string; title: string; says: string; drawing: ReactNode }[] = [
  {
    id: 'rack',
    title: 'A rack and pierced foil',
    says: 'A rack in a wide pot, foil on it pricked all over, a cloth under the grain.',
    drawing: <path d="M26 34H94M30 34v22M90 34v22M34 31v-1M44 31v-1M54 31v-1M64 31v-1M74 31v-1M84 31v-1" />,
  },
  {
    id: 'bowl',
    title: 'A raised bowl',
    says: 'Put a shallow bowl on an upturned bowl or foil ring, leaving a finger’s gap all round.',
    drawing: <path d="M44 56L50 42H70L76 56M32 22Q34 40 48 40H72Q86 40 88 22" />,
  },
  {
    id: 'sieve',
    title: 'A sieve over a pot',
    says: 'A metal sieve hung on the rim, its foot clear of the water, the lid as far on as it goes.',
    drawing: <path d="M18 14H102M28 14Q32 40 60 40Q88 40 92 14M40 34v1M50 37v1M60 38v1M70 37v1M80 34v1" />,
  },
]

/** Three steamers for a kitchen without one, and what all of them are looked over for. */
export function SteamerWays() {
  const { say } = useUnits()
  return (
    <details className={classes.ways}>
      <summary>No basket? Three ways to improvise one</summary>
      {WAYS.map(({ id, title, says, drawing }) => (
        <div key={id} className={classes.way}>
          <svg viewBox="0 0 120 72" aria-hidden>
            <path d="M18 14V58Q18 66 26 66H94Q102 66 102 58V14" className={classes.pot} />
            <path d="M19 56H101V58Q101 65 94 65H26Q19 65 19 58Z" className={classes.water} />
            <g className={classes.stand}>{drawing}</g>
          </svg>
          <p>
            <b>{title}.</b> {says}
          </p>
        </div>
      ))}
      <p>For all: {say('25 mm')} above the water, stable, room for steam, a cloth under the lid.</p>
    </details>
  )
}
