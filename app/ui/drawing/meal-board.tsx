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
import { useId, useMemo, type ReactNode } from 'react'
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
  state?: 'done' | 'now' | 'next'
}
export interface BoardDish {
  title: string
  ready: number
}

interface MealBoardProps {
  tracks: readonly { id: string; name: string }[]
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
const LEFT = 132
const RIGHT = 30
const TOP = 30
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
  kind: 'place' | 'hands'
  id: string
  name: string
}

/**
 * The evening as the table sees it: places and hands are the tracks, the right edge is the table, and every
 * dish ends there.
 */
export function MealBoard({ tracks, tasks, dishes, hands, clockAt, now, onMove }: MealBoardProps) {
  const context = useId()
  const { ref, width: measured } = useElementSize<HTMLDivElement>()
  const hatch = useId()
  const width = Math.max(640, measured || 1100)
  const from = Math.max(-MAX_MINUTES, Math.min(-30, ...tasks.map((t) => t.start)))
  const first = now === undefined ? from : Math.min(-15, Math.max(from, now - PAST_MIN))
  const table = width - RIGHT
  const x = (minute: number) => LEFT + ((Math.max(first, minute) - first) / -first) * (table - LEFT)
  const rows: Row[] = [
    ...tracks.map((t) => ({ ...t, kind: 'place' as const })),
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
          <defs>
            <pattern
              id={hatch}
              width="7"
              height="7"
              patternUnits="userSpaceOnUse"
              patternTransform="rotate(45)"
            >
              <path d="M0 0V7" className={classes.hatch} />
            </pattern>
          </defs>
          <Hours first={first} step={step} x={x} rows={rows} table={table} clockAt={clockAt} />
          {rows.map((row, r) => {
            const y = TOP + r * ROW
            const own = tasks
              .map((t, at) => ({ ...t, at }))
              .filter(
                (t) =>
                  t.end > first &&
                  (row.kind === 'place'
                    ? t.track === row.id
                    : t.hands && (t.hand ?? 0) === Number(row.id.split(' ')[1])),
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
                hatch={hatch}
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
          <path d={`M${table} ${TOP - 20}V${TOP + rows.length * ROW + 8}`} className={classes.table} />
          <path d={`M${table - 12} ${TOP - 20}H${table + 12}`} className={classes.table} />
          <text x={table} y={height - 8} textAnchor="end" className={classes.name}>
            serve, {clockAt(0)}
          </text>
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
  hatch,
}: {
  row: Row
  y: number
  table: number
  own: (BoardTask & { at: number })[]
  x: (minute: number) => number
  dishes: readonly BoardDish[]
  clockAt: (minute: number) => string
  onMove: MealBoardProps['onMove']
  hatch: string
}) {
  return (
    <g>
      <text x={8} y={y + ROW / 2 + 5} className={classes.name}>
        {row.name.length > 15 ? `${row.name.slice(0, 14)}…` : row.name}
      </text>
      <path d={`M${LEFT} ${y + ROW - 6}H${table}`} className={classes.track} />
      {own.map((t) => {
        const [from, to] = [x(t.start), x(t.end)]
        const word =
          (to - from) / LETTER_PX > t.title.length + 3
            ? `${dishLetter(t.dish)} ${t.title}`
            : dishLetter(t.dish)
        const says = `${dishes[t.dish]?.title ?? ''}: ${t.title}, ${clockAt(t.start)} to ${clockAt(t.end)}`
        const moves = onMove !== undefined && row.kind === 'place' && (t.state ?? 'next') === 'next'
        return (
          <Ribbon key={t.at} id={t.at} moves={moves} says={says} kind={row.kind} state={t.state ?? 'next'}>
            <title>{says}</title>
            <rect x={from} y={y + 6} width={Math.max(2, to - from - 1)} height={ROW - 14} rx={3} />
            {row.kind === 'hands' && (
              <rect
                x={from}
                y={y + 6}
                width={Math.max(2, to - from - 1)}
                height={ROW - 14}
                rx={3}
                fill={`url(#${hatch})`}
                className={classes.over}
              />
            )}
            {to - from > 12 && (
              <text x={from + 5} y={y + ROW / 2 + 4}>
                {word}
              </text>
            )}
          </Ribbon>
        )
      })}
    </g>
  )
}

/** Lines at whole quarters or halves of an hour. */
function Hours({
  first,
  step,
  x,
  rows,
  table,
  clockAt,
}: {
  first: number
  step: 15 | 30
  x: (minute: number) => number
  rows: readonly Row[]
  table: number
  clockAt: (minute: number) => string
}) {
  return (
    <>
      {Array.from({ length: Math.floor(-first / step) + 1 }, (_, i) => -i * step).map((minute) => (
        <g key={minute}>
          <path d={`M${x(minute)} ${TOP - 6}V${TOP + rows.length * ROW}`} className={classes.hour} />
          {/* The table's own hour stands clear of its post. */}
          <text
            x={minute === 0 ? table - 16 : x(minute)}
            y={TOP - 12}
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
