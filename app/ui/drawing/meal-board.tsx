import {
  DndContext,
  KeyboardCode,
  KeyboardSensor,
  MouseSensor,
  TouchSensor,
  useDraggable,
  useSensor,
  useSensors,
  type Active,
  type Announcements,
  type DragEndEvent,
  type KeyboardCoordinateGetter,
} from '@dnd-kit/core'
import { useElementSize } from '@mantine/hooks'
import { IconHandStop } from '@tabler/icons-react'
import { useId, useMemo, type ReactNode } from 'react'
import type { HeatLevel } from '#core/heat/sources'
import { heatHeight } from './stage-words'
import { moveWords, ribbonMove, ribbonName, STEP_MIN } from './ribbon-moves'
import classes from './meal-board.module.css'

export interface BoardTask {
  dish: number
  title: string
  /** Minutes before serving, as negative numbers. */
  start: number
  end: number
  hands: boolean
  /** The track it is on, where it takes a place. */
  track: string | null
  /** Which cook, from 0. */
  hand?: number
  /** How strong the heat is, where it is known. */
  heat?: HeatLevel
  state?: 'done' | 'now' | 'next'
}
export interface BoardDish {
  title: string
  ready: number
}

/** Where a dish is cooked. */
export interface BoardTrack {
  id: string
  name: string
  kind: 'burner' | 'oven' | 'appliance'
}

interface MealBoardProps {
  tracks: readonly BoardTrack[]
  tasks: readonly BoardTask[]
  dishes: readonly BoardDish[]
  /** Names of the cooks; a cook without a name has a number. */
  hands: readonly string[]
  clockAt: (minute: number) => string
  /** Now, in minutes before serving as a negative number, once the meal is under way. */
  now?: number
  /**
   * Moves what has not begun: minutes later (negative: earlier), and to another track. Left out: nothing is
   * moved here.
   */
  onMove?: (dish: number, minutes: number, track: string | undefined) => void
}

const ROW = 46
const LEFT = 168
/** The table is drawn so wide. */
const RIGHT = 108
const TOP = 30
/** What lies on a row, px: heat as high as it is strong, and a cook's time. */
const TALLEST = 34
const BAND = 20
/** The floor of a row, under its top. */
const FLOOR = ROW - 6
/** Where no plan says how strong the heat is. */
const USUAL_HEAT = heatHeight({ heat: 'medium', kind: 'simmer' })
/** Earlier than this, waiting is not drawn; the list below says it. */
const MAX_MINUTES = 240
const LETTER_PX = 7.4
/** Under way, so much of what is past stays in sight, minutes. */
const PAST_MIN = 20

/** A letter stands for a dish wherever its name has no room. */
export const dishLetter = (i: number): string => String.fromCharCode(65 + i)

/** By mouse a ribbon is drawn, by finger held a moment and then drawn: a finger that does not wait moves the page. */
const DRAWN = { activationConstraint: { distance: 6 } }
const HELD = { activationConstraint: { delay: 180, tolerance: 8 } }

const byKeys =
  (stepPx: number): KeyboardCoordinateGetter =>
  (event, { currentCoordinates: { x: left, y: top } }) => {
    const by: Record<string, [number, number]> = {
      [KeyboardCode.Left]: [-stepPx, 0],
      [KeyboardCode.Right]: [stepPx, 0],
      [KeyboardCode.Up]: [0, -ROW],
      [KeyboardCode.Down]: [0, ROW],
    }
    const move = by[event.code]
    if (!move) return undefined
    event.preventDefault()
    return { x: left + move[0], y: top + move[1] }
  }

/** What a drag does, and what is heard while a ribbon is moved. */
function useRibbonDrag({
  tasks,
  tracks,
  dishes,
  minutePx,
  onMove,
}: Pick<MealBoardProps, 'tasks' | 'tracks' | 'dishes' | 'onMove'> & { minutePx: number }) {
  const taskOf = ({ id }: { id: string | number }) => tasks[Number(id)]
  const moveOf = (task: BoardTask, delta: { x: number; y: number }) =>
    ribbonMove(task, delta, { tracks, minutePx, rowPx: ROW })
  const onDragEnd = ({ active, delta }: DragEndEvent) => {
    const task = taskOf(active)
    if (!task || !onMove) return
    const { minutes, track } = moveOf(task, delta)
    if (minutes !== 0 || track !== task.track)
      onMove(task.dish, minutes, track === task.track ? undefined : (track ?? undefined))
  }
  /** By how much it is away from where it was, px. */
  const deltaOf = ({ rect }: Active) => {
    const { initial, translated } = rect.current
    return initial && translated
      ? { x: translated.left - initial.left, y: translated.top - initial.top }
      : { x: 0, y: 0 }
  }
  const words = (active: Active, say: (name: string, move: string) => string): string | undefined => {
    const task = taskOf(active)
    return task && say(ribbonName(task, dishes), moveWords(task, moveOf(task, deltaOf(active)), tracks))
  }
  const announcements: Announcements = {
    onDragStart: ({ active }) => words(active, (name) => `Picked up ${name}.`),
    onDragMove: ({ active }) => words(active, (_name, move) => move),
    onDragOver: () => undefined,
    onDragEnd: ({ active }) => words(active, (name, move) => `Dropped ${name}, ${move}.`),
    onDragCancel: ({ active }) => words(active, (name) => `Cancelled: ${name} stays where it was.`),
  }
  return { onDragEnd, announcements }
}

/** One line of the board: a burner, the oven or a pair of hands. */
interface Row {
  kind: BoardTrack['kind'] | 'hands'
  id: string
  name: string
}

/** The evening: burners and hands at the left, heat as high as it is strong, the table with its plates at the right. */
export function MealBoard({ tracks, tasks, dishes, hands, clockAt, now, onMove }: MealBoardProps) {
  const context = useId()
  const { ref, width: measured } = useElementSize<HTMLDivElement>()
  const width = Math.max(640, measured || 1100)
  const from = Math.max(-MAX_MINUTES, Math.min(-30, ...tasks.map((t) => t.start)))
  const first = now === undefined ? from : Math.min(-15, Math.max(from, now - PAST_MIN))
  const table = width - RIGHT
  const x = (minute: number) => LEFT + ((Math.max(first, minute) - first) / -first) * (table - LEFT)
  const rows: Row[] = [
    ...tracks,
    ...hands.map((name, i) => ({ id: `hands ${i}`, name, kind: 'hands' as const })),
  ]
  const height = TOP + rows.length * ROW + 34
  const step = -first > 120 ? 30 : 15
  const minutePx = (table - LEFT) / -first
  // By arrow keys a ribbon moves in the same steps as by hand.
  const keyed = useMemo(() => ({ coordinateGetter: byKeys(STEP_MIN * minutePx) }), [minutePx])
  const sensors = useSensors(
    useSensor(MouseSensor, DRAWN),
    useSensor(TouchSensor, HELD),
    useSensor(KeyboardSensor, keyed),
  )
  const { onDragEnd, announcements } = useRibbonDrag({ tasks, tracks, dishes, minutePx, onMove })
  return (
    <DndContext
      id={context}
      sensors={sensors}
      onDragEnd={onDragEnd}
      autoScroll={false}
      accessibility={{
        announcements,
        screenReaderInstructions: {
          draggable:
            'Press Space to pick up a step, arrow keys to move it, Space to drop it, Escape to cancel.',
        },
      }}
    >
      <div ref={ref} className={classes.frame}>
        <svg
          width={width}
          height={height}
          role="group"
          aria-label={`Timetable until serving: ${dishes.map((d, i) => `${dishLetter(i)} ${d.title}, ready ${d.ready === 0 ? 'on time' : `${-d.ready} minutes before`}`).join('; ')}`}
        >
          <Hours first={first} step={step} x={x} rows={rows} clockAt={clockAt} />
          {rows.map((row, r) => {
            const y = TOP + r * ROW
            const own = tasks
              .map((t, at) => ({ ...t, at }))
              .filter(
                (t) =>
                  t.end > first &&
                  (row.kind === 'hands'
                    ? t.hands && (t.hand ?? 0) === Number(row.id.split(' ')[1])
                    : t.track === row.id),
              )
            return (
              <BoardRow
                key={row.id}
                row={row}
                y={y}
                table={table}
                own={own}
                x={x}
                dishes={dishes}
                clockAt={clockAt}
                onMove={onMove}
              />
            )
          })}
          {now !== undefined && now < 0 && (
            <g className={classes.now}>
              <path d={`M${x(now)} ${TOP - 8}V${TOP + rows.length * ROW}`} />
              <text x={x(now)} y={height - 8} textAnchor="middle">
                now
              </text>
            </g>
          )}
          <TableTop x={table} rows={rows.length} dishes={dishes} says={`serve, ${clockAt(0)}`} />
        </svg>
      </div>
    </DndContext>
  )
}

/** The tasks of one burner or pair of hands. */
function BoardRow({
  row,
  y,
  table,
  own,
  x,
  dishes,
  clockAt,
  onMove,
}: {
  row: Row
  y: number
  table: number
  own: (BoardTask & { at: number })[]
  x: (minute: number) => number
  dishes: readonly BoardDish[]
  clockAt: (minute: number) => string
  onMove: MealBoardProps['onMove']
}) {
  return (
    <g>
      <RowSign kind={row.kind} y={y + ROW / 2 - 2} on={own.some((t) => t.state === 'now')} />
      <text x={46} y={y + ROW / 2 + 3} className={classes.name}>
        {row.name.length > 15 ? `${row.name.slice(0, 14)}…` : row.name}
      </text>
      <path d={`M${LEFT} ${y + FLOOR}H${table}`} className={classes.track} />
      {own.map((t) => {
        const [from, to] = [x(t.start), x(t.end)]
        const word =
          (to - from) / LETTER_PX > t.title.length + 3
            ? `${dishLetter(t.dish)} ${t.title}`
            : dishLetter(t.dish)
        const says = `${dishes[t.dish]?.title ?? ''}: ${t.title}, ${clockAt(t.start)} to ${clockAt(t.end)}`
        const tall = row.kind === 'hands' ? BAND : TALLEST * heightOf(t)
        const moves = onMove !== undefined && row.kind !== 'hands' && (t.state ?? 'next') === 'next'
        return (
          <Ribbon key={t.at} id={t.at} moves={moves} says={says} kind={row.kind} state={t.state ?? 'next'}>
            <title>{says}</title>
            <rect
              x={from}
              y={y + FLOOR - tall}
              width={Math.max(2, to - from - 1)}
              height={tall}
              rx={row.kind === 'hands' ? BAND / 2 : 2}
            />
            {to - from > 18 && (
              <text x={from + 6} y={y + FLOOR - 6}>
                {word}
              </text>
            )}
          </Ribbon>
        )
      })}
    </g>
  )
}

/** Of the row's height, 0..1: what stands on its place with no heat under it still takes the place. */
const heightOf = ({ heat }: BoardTask): number =>
  heat === undefined ? USUAL_HEAT : Math.max(heatHeight({ heat, kind: 'simmer' }), NO_HEAT)
const NO_HEAT = 0.2

/** A burner as its rings, the oven as its front, an appliance as its pot, a cook as a hand. */
function RowSign({ kind, y, on }: { kind: Row['kind']; y: number; on: boolean }) {
  if (kind === 'hands')
    return <IconHandStop x={10} y={y - 13} width={26} height={26} className={classes.hand} />
  return (
    <g className={classes.sign} data-on={on || undefined}>
      {kind === 'burner' && (
        <>
          <circle cx={23} cy={y} r={14} />
          <circle cx={23} cy={y} r={8.5} />
          <circle cx={23} cy={y} r={3} />
        </>
      )}
      {kind === 'oven' && (
        <>
          <rect x={9} y={y - 13} width={28} height={26} rx={4} />
          <rect x={14} y={y - 4} width={18} height={12} rx={2} />
          <path d={`M14 ${y - 8.5}H32`} />
        </>
      )}
      {kind === 'appliance' && (
        <>
          <path d={`M10 ${y - 4}H36V${y + 6}q0 6 -6 6H16q-6 0 -6 -6Z`} />
          <path d={`M11 ${y - 4}q2 -8 12 -8t12 8`} />
        </>
      )}
    </g>
  )
}

/** The table: a plate for each dish, by its letter. */
function TableTop({
  x,
  rows,
  dishes,
  says,
}: {
  x: number
  rows: number
  dishes: readonly BoardDish[]
  says: string
}) {
  const [top, high] = [TOP - 10, rows * ROW + 14]
  const wide = RIGHT - 16
  const columns = dishes.length * 34 > high ? 2 : 1
  const inColumn = Math.ceil(dishes.length / columns)
  return (
    <g className={classes.table}>
      <rect x={x + 6} y={top} width={wide} height={high} rx={16} />
      {dishes.map((_dish, i) => {
        const at = { column: Math.floor(i / inColumn), row: i % inColumn }
        const cx = x + 6 + (wide * (at.column + 0.5)) / columns
        const cy = top + (high * (at.row + 0.5)) / inColumn
        const r = Math.min(18, high / inColumn / 2 - 2)
        return (
          <g key={i} className={classes.plate}>
            <circle cx={cx} cy={cy} r={r} />
            <circle cx={cx} cy={cy} r={r * 0.66} />
            <text x={cx} y={cy + 5} textAnchor="middle">
              {dishLetter(i)}
            </text>
          </g>
        )
      })}
      <text x={x + 6 + wide / 2} y={TOP + rows * ROW + 26} textAnchor="middle" className={classes.name}>
        {says}
      </text>
    </g>
  )
}

/** Lines at whole quarters or halves of an hour. */
function Hours({
  first,
  step,
  x,
  rows,
  clockAt,
}: {
  first: number
  step: 15 | 30
  x: (minute: number) => number
  rows: readonly Row[]
  clockAt: (minute: number) => string
}) {
  return (
    <>
      {Array.from({ length: Math.floor(-first / step) + 1 }, (_, i) => -i * step).map((minute) => (
        <g key={minute}>
          <path d={`M${x(minute)} ${TOP - 6}V${TOP + rows.length * ROW}`} className={classes.hour} />
          <text
            x={x(minute)}
            y={TOP - 12}
            // The last hour stands clear of the table.
            textAnchor={minute === 0 ? 'end' : 'middle'}
            className={classes.clock}
          >
            {clockAt(minute)}
          </text>
        </g>
      ))}
    </>
  )
}

/** One ribbon, that can be taken up by hand or by key where it has not begun. */
function Ribbon({
  id,
  moves,
  says,
  kind,
  state,
  children,
}: {
  id: number
  moves: boolean
  says: string
  kind: string
  state: string
  children: ReactNode
}) {
  const { setNodeRef, listeners, transform, isDragging } = useDraggable({ id: String(id), disabled: !moves })
  const grip = moves
    ? {
        ref: (node: SVGGElement | null) => setNodeRef(node as unknown as HTMLElement | null),
        role: 'button',
        tabIndex: 0,
        'aria-roledescription': 'movable step',
        'aria-label': says,
        ...listeners,
      }
    : {}
  return (
    <g
      className={classes.task}
      data-kind={kind}
      data-state={state}
      data-moves={moves || undefined}
      data-dragging={isDragging || undefined}
      transform={transform ? `translate(${transform.x} ${transform.y})` : undefined}
      {...grip}
    >
      {children}
    </g>
  )
}
