import type { ReactNode } from 'react'
import type { Furniture, Hanging, Opening, PlanOfRoom } from '@/core/model/floor-plan'
import { lengthOf, passageAt, passageBeside, without, type PassageBeside, type Thing } from '@/core/setup'
import { Button } from '../primitives/button'
import { CheckField, NumberField, PickOne } from '../primitives/fields'
import { RowContext } from '../primitives/row-context'
import { Part } from '../primitives/titled-part'
import { useSay } from '../words/use-say'
import { useThingName } from './plan-words'
import { useTape, type RoomPlanEdits } from './use-room-plan'

interface Of {
  readonly plan: PlanOfRoom
  readonly edits: RoomPlanEdits
}

const swapped = <Item,>(list: readonly Item[], at: number, item: Item): Item[] =>
  list.map((each, other) => (other === at ? item : each))

/** What is picked, by its figures; it is moved on the drawing, by the arrow keys, or here. */
export function PickedThing({
  plan,
  edits,
  thing,
  onPick,
}: Of & { thing: Thing | null; onPick: (thing: Thing | null) => void }) {
  const say = useSay()
  const nameOf = useThingName(plan)
  const fields = thing && fieldsOf(plan, edits, thing)
  if (!thing || !fields) return null
  return (
    <Part title={nameOf(thing)}>
      <RowContext value={`${thing.kind} ${thing.at}`}>{fields}</RowContext>
      <div className="flex flex-wrap gap-2">
        <Button
          onClick={() => {
            if (edits.keep(without(plan, thing))) onPick(null)
          }}
        >{say`Take it out`}</Button>
        <Button look="quiet" onClick={() => onPick(null)}>{say`Done with it`}</Button>
      </div>
    </Part>
  )
}

function fieldsOf(plan: PlanOfRoom, edits: RoomPlanEdits, { kind, at }: Thing) {
  const of = { plan, edits, at }
  if (kind === 'opening' && plan.openings[at]) return <OpeningFields {...of} opening={plan.openings[at]} />
  if (kind === 'furniture' && plan.furniture[at]) return <PieceFields {...of} piece={plan.furniture[at]} />
  if (kind === 'hanging' && plan.hangings[at]) return <HangingFields {...of} hanging={plan.hangings[at]} />
  if (kind === 'seat' && plan.seats[at])
    return (
      <PointFields
        point={plan.seats[at].at}
        onCommit={point =>
          edits.keep({ ...plan, seats: swapped(plan.seats, at, { ...plan.seats[at]!, at: point }) })
        }
      >
        <SeatAsleep {...of} />
      </PointFields>
    )
  if (kind === 'heat' && plan.heat[at])
    return (
      <PointFields
        point={plan.heat[at]}
        onCommit={point => edits.keep({ ...plan, heat: swapped(plan.heat, at, point) })}
      />
    )
  if (kind === 'corner' && plan.corners[at])
    return (
      <PointFields
        point={plan.corners[at]}
        onCommit={point => edits.keep({ ...plan, corners: swapped(plan.corners, at, point) })}
      />
    )
  return null
}

function SeatAsleep({ plan, edits, at }: Of & { at: number }) {
  const say = useSay()
  const seat = plan.seats[at]!
  return (
    <CheckField
      label={say`Somebody sleeps here, and wants no light`}
      value={seat.asleep}
      onCommit={asleep => edits.keep({ ...plan, seats: swapped(plan.seats, at, { ...seat, asleep }) })}
    />
  )
}

function Metres({
  label,
  value,
  min = 0,
  max,
  onCommit,
}: {
  label: string
  value: number
  min?: number
  max: number
  onCommit: (metres: number) => void
}) {
  const tape = useTape()
  return (
    <NumberField
      label={label}
      unit={tape.unit}
      min={tape.shown(min)}
      max={tape.shown(max)}
      value={tape.shown(value)}
      onCommit={typed => typed !== null && onCommit(tape.metres(typed))}
    />
  )
}

function PointFields({
  point,
  onCommit,
  children,
}: {
  point: { readonly x: number; readonly y: number }
  onCommit: (point: { x: number; y: number }) => void
  children?: ReactNode
}) {
  const say = useSay()
  return (
    <>
      <div className="grid grid-cols-2 gap-2">
        <Metres
          label={say`From the left`}
          min={-100}
          max={100}
          value={point.x}
          onCommit={x => onCommit({ ...point, x })}
        />
        <Metres
          label={say`From below`}
          min={-100}
          max={100}
          value={point.y}
          onCommit={y => onCommit({ ...point, y })}
        />
      </div>
      {children}
    </>
  )
}

function PieceFields({ plan, edits, at, piece }: Of & { at: number; piece: Furniture }) {
  const say = useSay()
  const change = (fields: Partial<Furniture>) =>
    edits.keep({ ...plan, furniture: swapped(plan.furniture, at, { ...piece, ...fields }) })
  return (
    <>
      <div className="grid grid-cols-3 gap-2">
        <Metres
          label={say`Width`}
          min={0.05}
          max={20}
          value={piece.width}
          onCommit={width => change({ width })}
        />
        <Metres
          label={say`Depth`}
          min={0.05}
          max={20}
          value={piece.depth}
          onCommit={depth => change({ depth })}
        />
        <Metres
          label={say`Height`}
          min={0.05}
          max={plan.height}
          value={piece.height}
          onCommit={height => change({ height })}
        />
      </div>
      <PointFields point={piece.centre} onCommit={centre => change({ centre })}>
        <NumberField
          label={say`Turned`}
          unit="°"
          min={-180}
          max={180}
          value={piece.turned}
          onCommit={turned => turned !== null && change({ turned })}
        />
      </PointFields>
    </>
  )
}

function HangingFields({ plan, edits, at, hanging }: Of & { at: number; hanging: Hanging }) {
  const say = useSay()
  const put = (next: Hanging) => edits.keep({ ...plan, hangings: swapped(plan.hangings, at, next) })
  const height = (
    <Metres
      label={say`Above the floor`}
      min={0.1}
      max={plan.height}
      value={hanging.height}
      onCommit={high => put({ ...hanging, height: high })}
    />
  )
  if (hanging.on === 'ceiling')
    return (
      <PointFields point={hanging.at} onCommit={point => put({ ...hanging, at: point })}>
        {height}
      </PointFields>
    )
  return (
    <>
      <WallPick
        plan={plan}
        value={hanging.wall}
        onCommit={wall => put({ ...hanging, wall, along: Math.min(hanging.along, lengthOf(plan, wall) / 2) })}
      />
      <div className="grid grid-cols-2 gap-2">
        <Metres
          label={say`Along its wall`}
          max={lengthOf(plan, hanging.wall)}
          value={hanging.along}
          onCommit={along => put({ ...hanging, along })}
        />
        {height}
      </div>
    </>
  )
}

function WallPick({
  plan,
  value,
  onCommit,
}: {
  plan: PlanOfRoom
  value: number
  onCommit: (wall: number) => void
}) {
  const say = useSay()
  return (
    <PickOne
      label={say`In wall`}
      value={String(value)}
      options={plan.corners.map((_, wall) => ({ value: String(wall), words: String(wall + 1) }))}
      onCommit={wall => onCommit(Number(wall))}
    />
  )
}

function OpeningFields({ plan, edits, at, opening }: Of & { at: number; opening: Opening }) {
  const say = useSay()
  const change = (fields: Partial<Opening>, beside?: PassageBeside | null) => {
    const kept = beside === undefined ? passageBeside(plan, opening) : beside
    const next = { ...opening, ...fields }
    edits.keep({
      ...plan,
      openings: swapped(plan.openings, at, {
        ...next,
        passage: kept && next.kind !== 'window' ? passageAt(plan, next, kept) : null,
      }),
    })
  }
  const length = lengthOf(plan, opening.wall)
  return (
    <>
      <PickOne
        label={say`What it is`}
        value={opening.kind}
        options={[
          { value: 'door', words: say`Door` },
          { value: 'bare', words: say`Bare` },
          { value: 'window', words: say`Window` },
        ]}
        onCommit={kind => change({ kind })}
      />
      <WallPick
        plan={plan}
        value={opening.wall}
        onCommit={wall =>
          change({ wall, from: Math.max(0, Math.min(opening.from, lengthOf(plan, wall) - opening.width)) })
        }
      />
      <div className="grid grid-cols-2 gap-2">
        <Metres
          label={say`From the start of its wall`}
          max={length}
          value={opening.from}
          onCommit={from => change({ from })}
        />
        <Metres
          label={say`Width`}
          min={0.05}
          max={20}
          value={opening.width}
          onCommit={width => change({ width })}
        />
      </div>
      {opening.kind === 'door' && <DoorFields opening={opening} onChange={change} />}
      {opening.kind !== 'window' && (
        <Beyond plan={plan} opening={opening} onChange={beside => change({}, beside)} />
      )}
    </>
  )
}

function DoorFields({
  opening,
  onChange,
}: {
  opening: Opening
  onChange: (fields: Partial<Opening>) => void
}) {
  const say = useSay()
  return (
    <>
      <PickOne
        label={say`It usually stands`}
        value={opening.usually}
        options={[
          { value: 'open', words: say`Open` },
          { value: 'shut', words: say`Shut` },
        ]}
        onCommit={usually => onChange({ usually })}
      />
      <div className="flex flex-wrap gap-4">
        <PickOne
          label={say`Its leaf hangs`}
          value={opening.hinge}
          options={[
            { value: 'start', words: say`At the start` },
            { value: 'end', words: say`At the end` },
          ]}
          onCommit={hinge => onChange({ hinge })}
        />
        <PickOne
          label={say`It swings`}
          value={opening.swings}
          options={[
            { value: 'in', words: say`In` },
            { value: 'out', words: say`Out` },
          ]}
          onCommit={swings => onChange({ swings })}
        />
      </div>
    </>
  )
}

const USUAL_PASSAGE = { width: 1.2, length: 4 }

/** What is beyond an opening: others who walk there are not to turn the light on. */
function Beyond({
  plan,
  opening,
  onChange,
}: {
  plan: PlanOfRoom
  opening: Opening
  onChange: (beside: PassageBeside | null) => void
}) {
  const say = useSay()
  const beside = passageBeside(plan, opening)
  const { width, length } = beside ?? USUAL_PASSAGE
  return (
    <>
      <PickOne
        label={say`Beyond it`}
        value={beside?.runs ?? 'none'}
        options={[
          { value: 'none', words: say`A room, or outside` },
          { value: 'along', words: say`A passage along the wall` },
          { value: 'away', words: say`A passage straight on` },
        ]}
        onCommit={runs =>
          onChange(
            runs === 'none'
              ? null
              : { runs, width, length, before: runs === 'along' ? (length - opening.width) / 2 : 0 },
          )
        }
      />
      {beside && (
        <div className="grid grid-cols-3 gap-2">
          <Metres
            label={say`Wide`}
            min={0.5}
            max={20}
            value={width}
            onCommit={wide => onChange({ ...beside, width: wide })}
          />
          <Metres
            label={say`Long`}
            min={0.5}
            max={60}
            value={length}
            onCommit={long => onChange({ ...beside, length: long })}
          />
          {beside.runs === 'along' && (
            <Metres
              label={say`Begins before it`}
              min={-60}
              max={60}
              value={beside.before}
              onCommit={before => onChange({ ...beside, before })}
            />
          )}
        </div>
      )}
    </>
  )
}
