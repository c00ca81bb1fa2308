import type { Complaint } from '#core/cook/remedy'
import classes from './complaint-drawing.module.css'

/** A pot cut open, with what is wrong in it. Said by shapes, not by colours. */
export function ComplaintDrawing({ complaint }: { complaint: Complaint }) {
  return (
    <svg viewBox="0 0 84 52" aria-hidden>
      <Inside complaint={complaint} />
      <path d="M14 8V46H70V8" className={classes.pot} />
      {complaint === 'opened' && <path d="M30 3L72 -6" className={classes.pot} transform="translate(0 8)" />}
    </svg>
  )
}

const kernels = (rows: number, top: number, shape: string) =>
  Array.from({ length: rows * 6 }, (_, i) => (
    <ellipse
      key={i}
      cx={20 + (i % 6) * 9 + (Math.floor(i / 6) % 2) * 4}
      cy={top + Math.floor(i / 6) * 7}
      rx={3.8}
      ry={2.4}
      className={shape}
    />
  ))

function Inside({ complaint }: { complaint: Complaint }) {
  switch (complaint) {
    case 'still-wet':
      return (
        <>
          <rect x="15" y="26" width="54" height="19" className={classes.water} />
          {kernels(3, 28, classes.grain!)}
        </>
      )
    case 'hard-wet':
      return (
        <>
          <rect x="15" y="26" width="54" height="19" className={classes.water} />
          {kernels(3, 28, classes.raw!)}
          <circle cx="42" cy="35" r="4" className={classes.burnt} />
        </>
      )
    case 'dry-firm':
      return <>{kernels(2, 35, classes.raw!)}</>
    case 'chalky':
      return (
        <>
          {kernels(1, 24, classes.raw!)}
          {kernels(2, 33, classes.grain!)}
          {[24, 42, 60].map((x) => (
            <circle key={x} cx={x} cy={24} r="1.4" className={classes.burnt} />
          ))}
        </>
      )
    case 'dry-early':
      return (
        <>
          {kernels(2, 35, classes.raw!)}
          <path d="M24 50q4 -4 0 -8M42 50q4 -4 0 -8M60 50q4 -4 0 -8" className={classes.hot} />
        </>
      )
    case 'scorched':
      return (
        <>
          {kernels(2, 28, classes.grain!)}
          <rect x="15" y="40" width="54" height="5" className={classes.burnt} />
          <path d="M30 20q-5 -6 0 -12M50 20q-5 -6 0 -12" className={classes.steam} />
        </>
      )
    case 'boiled-over':
      return (
        <>
          <rect x="15" y="10" width="54" height="35" className={classes.water} />
          <path d="M14 8q-6 4 -6 20v18M70 8q6 4 6 20v18" className={classes.hot} />
        </>
      )
    case 'opened':
      return <>{kernels(3, 28, classes.grain!)}</>
    case 'mush':
      return <path d="M15 45V26q9 -6 18 0t18 0t18 0V45Z" className={classes.grain} />
  }
}
