import type { ReactNode } from 'react'
import { LOOSEN_WAYS, type LoosenWay } from '#core/finish/loosen'
import type { Variety } from '#core/grain/varieties'
import { KernelPattern } from './grain-pattern'
import classes from './loosen-drawing.module.css'

const BED = 'M19 44H101Q98 77 76 77H44Q22 77 19 44Z'

/** What the hand does, drawn over the bed: one drawing a way. */
const STROKES: Record<LoosenWay, ReactNode> = {
  fork: (
    <>
      <path d="M92 12L58 56M52 50l4 8M58 47l3 9M64 45l1 10" className={classes.tool} />
      <path d="M40 40q-14 -16 -2 -24" className={classes.move} markerEnd="url(#loosen-tip)" />
    </>
  ),
  'cut-fold': (
    <>
      <path d="M60 8V50M54 50Q54 66 60 68Q66 66 66 50Z" className={classes.tool} />
      <path d="M72 60Q96 56 90 34" className={classes.move} markerEnd="url(#loosen-tip)" />
    </>
  ),
  quarters: (
    <>
      <path d="M60 44V77M30 60H90" className={classes.tool} />
      <path d="M76 52Q92 22 66 28" className={classes.move} markerEnd="url(#loosen-tip)" />
    </>
  ),
  'leave-stuck': (
    <>
      <path d="M24 66Q34 77 46 77H74Q86 77 96 66" className={classes.stuck} />
      <path d="M100 14L70 46L44 54Q52 60 66 56L80 44" className={classes.tool} />
    </>
  ),
  stir: <path d="M88 8L62 58M44 52Q60 66 78 54" className={classes.tool} />,
}

/** How this pot is loosened, drawn: the pot cut open, and the hand's one movement. */
export const LoosenDrawing = ({ way, variety }: { way: LoosenWay; variety: Variety }) => (
  <figure className={classes.figure}>
    <svg viewBox="0 0 120 86" aria-hidden>
      <defs>
        <KernelPattern id="loosen-bed" variety={variety} swell={1.3} />
        <marker
          id="loosen-tip"
          viewBox="0 0 8 8"
          refX="6"
          refY="4"
          markerWidth="5"
          markerHeight="5"
          orient="auto-start-reverse"
        >
          <path d="M0 0L8 4L0 8" className={classes.tip} />
        </marker>
      </defs>
      <path d={BED} fill="url(#loosen-bed)" />
      <path d="M18 30V46Q18 78 44 78H76Q102 78 102 46V30" className={classes.wall} />
      <path d="M14 30H106" className={classes.rim} />
      {STROKES[way]}
    </svg>
    <figcaption>{LOOSEN_WAYS[way].how}</figcaption>
  </figure>
)
