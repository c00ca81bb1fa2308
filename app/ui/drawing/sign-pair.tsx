import type { ReactNode } from 'react'
import type { Variety } from '#core/grain/varieties'
import type { CueId } from '#core/methods/signs'
import { KernelPattern } from './grain-pattern'
import classes from './sign-pair.module.css'

interface CuePairProps {
  cue: CueId
  variety: Variety
  /** What it looks like before, and when it has come. */
  yet: string
  now: string
}

/** What to look for: drawn as it is not yet, and as it is when the sign has come. */
export function CuePair({ cue, variety, yet, now }: CuePairProps) {
  return (
    <div className={classes.pair}>
      <Picture word="not yet" says={yet}>
        {DRAWINGS[cue](false, variety)}
      </Picture>
      <Picture word="now" says={now} ripe>
        {DRAWINGS[cue](true, variety)}
      </Picture>
    </div>
  )
}

const Picture = ({
  word,
  says,
  ripe = false,
  children,
}: {
  word: string
  says: string
  ripe?: boolean
  children: ReactNode
}) => (
  <figure className={classes.picture} data-ripe={ripe || undefined}>
    <svg viewBox="0 0 120 86" aria-hidden>
      {children}
    </svg>
    <figcaption>
      <b>{word}</b> {says}
    </figcaption>
  </figure>
)

const Steam = ({ x, y, many }: { x: number; y: number; many: boolean }) => (
  <g className={classes.steam}>
    {(many ? [-14, 0, 14] : [0]).map((dx) => (
      <path key={dx} d={`M${x + dx} ${y}q-6 -7 0 -14q6 -7 0 -14`} opacity={many ? 1 : 0.5} />
    ))}
  </g>
)

const Bowl = ({ children }: { children?: ReactNode }) => (
  <g>
    <path d="M18 34H102V46Q102 78 76 78H44Q18 78 18 46Z" className={classes.body} />
    {children}
    <path d="M14 34H106" className={classes.rim} />
  </g>
)

const LiddedPot = ({ lift }: { lift: boolean }) => (
  <g>
    <path d="M26 42H94V70Q94 78 86 78H34Q26 78 26 70Z" className={classes.body} />
    <path d="M14 50H26M94 50H106" className={classes.rim} />
    <g transform={lift ? 'rotate(-4 26 40) translate(0 -3)' : undefined}>
      <path d="M23 41Q30 30 46 30H74Q90 30 97 41Z" className={classes.body} />
      <path d="M54 25H66" className={classes.rim} />
    </g>
  </g>
)

const dots = (places: readonly (readonly [number, number, number])[]) =>
  places.map(([x, y, r]) => <circle key={`${x} ${y}`} cx={x} cy={y} r={r} className={classes.bubble} />)

const Pin = ({ up }: { up: boolean }) => (
  <g>
    <path d="M14 78V62Q14 50 30 50H90Q106 50 106 62V78Z" className={classes.body} />
    <path d="M48 50H72" className={classes.rim} />
    <path d={up ? 'M60 50V30' : 'M60 50V43'} className={classes.pin} />
    <path d={up ? 'M54 29H66' : 'M54 42H66'} className={classes.pin} />
  </g>
)

/** A grain bitten through: how much of its centre is still white. */
const Bitten = ({ ripe, centre }: { ripe: boolean; centre: number }) => (
  <g>
    <ellipse cx={60} cy={44} rx={40} ry={28} className={classes.grain} />
    <ellipse cx={60} cy={44} rx={40 * centre} ry={28 * centre} className={classes.heart} />
    {!ripe && <path d="M50 38l6 5l-5 6M68 36l-4 7l6 6" className={classes.line} opacity={0.6} />}
  </g>
)

/** One drawing a sign; the flag says whether the sign has come. */
const DRAWINGS: Record<CueId, (ripe: boolean, variety: Variety) => ReactNode> = {
  measured: (ripe, variety) => (
    <g>
      <defs>
        <KernelPattern id={`cue-measured-${ripe}`} variety={variety} />
      </defs>
      <path
        d={
          ripe
            ? 'M30 30H90V70Q90 76 84 76H36Q30 76 30 70Z'
            : 'M30 30Q60 4 90 30V70Q90 76 84 76H36Q30 76 30 70Z'
        }
        fill={`url(#cue-measured-${ripe})`}
      />
      <path d="M28 28V70Q28 78 36 78H84Q92 78 92 70V28" className={classes.line} />
      <path d="M92 40H108V58H92" className={classes.line} />
      {ripe && <path d="M18 28H102" className={classes.rim} />}
    </g>
  ),
  'clear-enough': (ripe, variety) => (
    <g>
      <defs>
        <KernelPattern id={`cue-clear-${ripe}`} variety={variety} />
      </defs>
      <Bowl>
        <path d="M19 52H101Q98 77 76 77H44Q22 77 19 52Z" fill={`url(#cue-clear-${ripe})`} />
        <path
          d="M18 38H102V46Q102 78 76 78H44Q18 78 18 46Z"
          className={ripe ? classes.clear : classes.milky}
        />
      </Bowl>
    </g>
  ),
  drained: (ripe) => (
    <g>
      <path d="M22 22H98Q98 52 60 52Q22 52 22 22Z" className={classes.mesh} />
      <path d="M16 22H108" className={classes.rim} />
      {ripe ? (
        <path d="M60 62q-5 8 0 11q5 -3 0 -11" className={classes.drop} />
      ) : (
        <path d="M48 53V80M60 54V82M72 53V80" className={classes.stream} />
      )}
    </g>
  ),
  poured: (ripe) => (
    <g>
      <path d="M20 24V68Q20 78 30 78H90Q100 78 100 68V24" className={classes.body} />
      <path
        d={ripe ? 'M20 46H100V68Q100 78 90 78H30Q20 78 20 68Z' : 'M20 62H100V68Q100 78 90 78H30Q20 78 20 68Z'}
        className={classes.clear}
      />
      <path d="M14 46H26M94 46H106" className={classes.rim} />
      {!ripe && <path d="M70 6V60" className={classes.stream} />}
      <path d="M16 24H24M96 24H104" className={classes.rim} />
    </g>
  ),
  'stirred-even': (ripe) => (
    <Bowl>
      <path d="M18 40H102V46Q102 78 76 78H44Q18 78 18 46Z" className={classes.grain} />
      {!ripe && <path d="M19 50Q40 44 60 50T101 50" className={classes.line} />}
      <path d="M76 52L104 12" className={classes.rim} />
    </Bowl>
  ),
  'stock-hot': (ripe) => (
    <Bowl>
      <path d="M18 44H102V46Q102 78 76 78H44Q18 78 18 46Z" className={classes.clear} />
      {ripe && <path d="M44 34q-4 -8 0 -14M60 34q4 -8 0 -14M76 34q-4 -8 0 -14" className={classes.line} />}
    </Bowl>
  ),
  'shared-out': (ripe) => (
    <g>
      <path d={ripe ? 'M16 60H52V70H16Z' : 'M30 30H90V70H30Z'} className={classes.grain} />
      {ripe && <path d="M66 60H102V70H66Z" className={classes.grain} />}
      <path d={ripe ? 'M12 52V74H56V52M62 52V74H106V52' : 'M26 22V74H94V22'} className={classes.line} />
    </g>
  ),
  'runs-clean': (ripe) => (
    <Bowl>
      <path d="M18 38H102V46Q102 78 76 78H44Q18 78 18 46Z" className={ripe ? classes.clear : classes.milky} />
      {!ripe && [34, 52, 70, 86].map((x) => <circle key={x} cx={x} cy={38} r={4} className={classes.line} />)}
    </Bowl>
  ),
  holes: (ripe) => (
    <Bowl>
      <path d="M18 40H102V46Q102 78 76 78H44Q18 78 18 46Z" className={classes.grain} />
      {[36, 56, 78, 92].map((x, i) => (
        <ellipse
          key={x}
          cx={x}
          cy={46 + (i % 2) * 8}
          rx={5}
          ry={3.5}
          className={ripe ? classes.heart : classes.clear}
        />
      ))}
    </Bowl>
  ),
  'spoon-trail': (ripe) => (
    <Bowl>
      <path d="M18 40H102V46Q102 78 76 78H44Q18 78 18 46Z" className={classes.grain} />
      <path
        d={ripe ? 'M34 40Q42 58 60 58Q78 58 86 40' : 'M52 40Q56 44 60 44Q64 44 68 40'}
        className={classes.line}
      />
      <path d="M76 52L104 12" className={classes.rim} />
    </Bowl>
  ),
  seasoned: (ripe) => (
    <Bowl>
      <path d="M18 44H102V46Q102 78 76 78H44Q18 78 18 46Z" className={classes.clear} />
      {ripe ? (
        <path d="M36 58q12 -10 24 0q12 10 24 0" className={classes.stream} />
      ) : (
        <path d="M40 74h3M48 75h3M56 74h3M64 75h3M72 74h3M52 71h3M60 71h3" className={classes.line} />
      )}
    </Bowl>
  ),
  added: (ripe, variety) => (
    <g>
      <defs>
        <KernelPattern id={`cue-added-${ripe}`} variety={variety} />
      </defs>
      <Bowl>
        <path
          d={
            ripe
              ? 'M19 50H101Q98 77 76 77H44Q22 77 19 50Z'
              : 'M19 58Q48 58 60 40Q72 58 101 58Q98 77 76 77H44Q22 77 19 58Z'
          }
          fill={`url(#cue-added-${ripe})`}
        />
      </Bowl>
      {ripe ? (
        <path d="M20 30Q40 18 60 18Q80 18 100 30" className={classes.line} />
      ) : (
        <Steam x={60} y={32} many />
      )}
    </g>
  ),
  'dressing-clear': (ripe) => (
    <g>
      <path d="M40 20H80L76 72Q76 78 70 78H50Q44 78 44 72Z" className={classes.body} />
      <path
        d="M42 40H78L76 72Q76 78 70 78H50Q44 78 44 72Z"
        className={ripe ? classes.clear : classes.milky}
      />
      {!ripe && <path d="M49 74h2M55 75h2M61 74h2M67 75h2M52 70h2M64 70h2" className={classes.line} />}
      <path d="M38 20H82" className={classes.rim} />
      {!ripe && <path d="M88 10L62 62" className={classes.line} />}
    </g>
  ),
  dressed: (ripe, variety) => (
    <g>
      <defs>
        <KernelPattern id={`cue-dressed-${ripe}`} variety={variety} swell={1.4} />
      </defs>
      <Bowl>
        <path d="M19 48H101Q98 77 76 77H44Q22 77 19 48Z" fill={`url(#cue-dressed-${ripe})`} />
        {!ripe && <path d="M30 68H90Q84 77 76 77H44Q34 77 30 68Z" className={classes.clear} />}
      </Bowl>
      {ripe && <path d="M30 26l4 -8M52 24l2 -9M72 24l3 -9M92 26l4 -8" className={classes.line} />}
    </g>
  ),
  'water-boils': (ripe) => (
    <Bowl>
      <path d="M18 42H102V46Q102 78 76 78H44Q18 78 18 46Z" className={classes.clear} />
      {ripe
        ? dots([
            [32, 42, 9],
            [54, 44, 10],
            [78, 42, 9],
            [94, 46, 6],
            [44, 60, 7],
            [68, 58, 8],
            [84, 66, 5],
          ])
        : dots([
            [34, 74, 2],
            [34, 66, 2],
            [34, 58, 2.4],
            [34, 50, 2.6],
            [82, 74, 2],
            [82, 66, 2],
            [82, 58, 2.4],
            [82, 50, 2.6],
          ])}
    </Bowl>
  ),
  'kettle-boils': (ripe) => (
    <g>
      <path d="M34 78Q22 78 24 62Q28 36 46 34H74Q92 36 96 62Q98 78 86 78Z" className={classes.body} />
      <path d="M94 54L110 38M44 34Q60 12 76 34M54 30H66" className={classes.line} />
      {ripe ? (
        <Steam x={104} y={36} many />
      ) : (
        <path d="M112 32l4 -4M116 38h5" className={classes.line} opacity={0.5} />
      )}
    </g>
  ),
  'steady-steam': (ripe) => (
    <g>
      <path d="M26 46H94V72Q94 80 86 80H34Q26 80 26 72Z" className={classes.body} />
      <path d="M32 58H88M32 62v3M44 62v3M56 62v3M68 62v3M80 62v3" className={classes.line} />
      <path d="M22 45Q30 34 46 34H74Q90 34 98 45Z" className={classes.body} />
      <Steam x={ripe ? 60 : 92} y={ripe ? 32 : 36} many={ripe} />
    </g>
  ),
  bitten: (ripe) => <Bitten ripe={ripe} centre={ripe ? 0.16 : 0.62} />,
  'bends-not-breaks': (ripe) => (
    <g>
      {ripe ? (
        <path d="M16 60Q60 14 104 60Q98 72 92 66Q60 32 28 66Q22 72 16 60Z" className={classes.grain} />
      ) : (
        <g>
          <path d="M12 44Q16 32 34 34L54 40L50 46L55 52L34 56Q16 56 12 44Z" className={classes.grain} />
          <path d="M108 44Q104 32 86 34L68 38L64 44L69 51L86 56Q104 56 108 44Z" className={classes.grain} />
        </g>
      )}
    </g>
  ),
  'smells-of-toast': (ripe, variety) => (
    <g>
      <defs>
        <KernelPattern id={`cue-toast-${ripe}`} variety={variety} swell={1.3} />
      </defs>
      <Bowl>
        <path d="M19 50H101Q98 77 76 77H44Q22 77 19 50Z" fill={`url(#cue-toast-${ripe})`} />
        {ripe ? (
          <path d="M24 66Q34 78 46 78H74Q86 78 96 66" className={classes.toast} />
        ) : (
          <path d="M24 66Q34 78 46 78H74Q86 78 96 66" className={classes.stream} />
        )}
      </Bowl>
      {ripe ? (
        <path d="M40 28l-3 -8M60 26v-9M80 28l3 -8" className={classes.line} />
      ) : (
        <Steam x={60} y={32} many />
      )}
    </g>
  ),
  'rolling-boil': (ripe) => (
    <g>
      <LiddedPot lift={ripe} />
      <Steam x={ripe ? 88 : 60} y={ripe ? 32 : 22} many={ripe} />
    </g>
  ),
  'bubbles-break': (ripe) => (
    <Bowl>
      <path d="M18 46H102Q102 78 76 78H44Q18 78 18 46Z" className={classes.clear} />
      {ripe
        ? dots([
            [34, 44, 8],
            [54, 46, 9],
            [76, 43, 8],
            [92, 47, 6],
            [45, 58, 6],
            [66, 60, 7],
            [84, 60, 5],
          ])
        : dots([
            [24, 48, 2.5],
            [30, 52, 2],
            [96, 48, 2.5],
            [90, 53, 2],
          ])}
    </Bowl>
  ),
  'steam-at-vent': (ripe) => (
    <g>
      <path d="M18 78V46Q18 36 30 36H90Q102 36 102 46V78Z" className={classes.body} />
      <path d="M18 50H102M74 36V31H84V36" className={classes.line} />
      <Steam x={79} y={29} many={ripe} />
    </g>
  ),
  'switch-click': (ripe) => (
    <g>
      <path d="M14 80V18Q14 8 24 8H96Q106 8 106 18V80Z" className={classes.body} />
      <path d="M44 24H76V68H44Z" className={classes.line} />
      <path d={ripe ? 'M52 30H68V44H52Z' : 'M52 48H68V62H52Z'} className={classes.lever} />
      {ripe && <path d="M84 30l8 -5M84 38h10M84 46l8 5" className={classes.line} />}
    </g>
  ),
  'pin-up': (ripe) => (
    <g>
      <Pin up={ripe} />
      {!ripe && <Steam x={60} y={38} many />}
    </g>
  ),
  'pin-down': (ripe) => <Pin up={!ripe} />,
  loosened: (ripe, variety) => (
    <g>
      <defs>
        <KernelPattern id={`cue-loose-${ripe}`} variety={variety} swell={1.3} />
      </defs>
      <Bowl>
        <path
          d={
            ripe
              ? 'M19 52Q32 40 46 50Q60 36 74 49Q88 40 101 52Q98 77 76 77H44Q22 77 19 52Z'
              : 'M19 48H101Q98 77 76 77H44Q22 77 19 48Z'
          }
          fill={`url(#cue-loose-${ripe})`}
        />
        {!ripe && <path d="M19 47H101" className={classes.rim} opacity={0.25} />}
        {ripe && <path d="M64 50L92 12M90 8l6 8M94 6l6 8" className={classes.line} />}
      </Bowl>
    </g>
  ),
}
