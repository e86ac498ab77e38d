import type { Opening, PlanOfRoom } from '@/core/model/floor-plan'
import { freeWall, middleOf, type Thing, type ThingKind } from '@/core/setup'
import { Button } from '../primitives/button'
import { PressOne } from '../primitives/press-one'
import { Part } from '../primitives/titled-part'
import { useSay } from '../words/use-say'
import { useThingName } from './plan-words'
import type { RoomPlanEdits } from './use-room-plan'

const NEW = {
  door: 'Door',
  bare: 'Opening without a door',
  window: 'Window',
  furniture: 'Furniture',
  seat: 'Seat',
  bed: 'Bed',
  heat: 'Radiator, vent, cooker',
} as const
type New = keyof typeof NEW

const WIDTHS: Readonly<Record<Opening['kind'], number>> = { door: 0.8, bare: 0.9, window: 1.2 }

/** The plan with something new in it, and where it stands in its list; null where no wall has room for it. */
function added(plan: PlanOfRoom, what: New): { plan: PlanOfRoom; thing: Thing } | null {
  const at = middleOf(plan)
  switch (what) {
    case 'furniture':
      return {
        plan: {
          ...plan,
          furniture: [...plan.furniture, { centre: at, width: 0.8, depth: 0.4, height: 1.8, turned: 0 }],
        },
        thing: { kind: 'furniture', at: plan.furniture.length },
      }
    case 'seat':
    case 'bed':
      return {
        plan: { ...plan, seats: [...plan.seats, { at, asleep: what === 'bed' }] },
        thing: { kind: 'seat', at: plan.seats.length },
      }
    case 'heat':
      return {
        plan: { ...plan, heat: [...plan.heat, at] },
        thing: { kind: 'heat', at: plan.heat.length },
      }
    default: {
      const width = WIDTHS[what]
      const free = freeWall(plan, width)
      if (!free) return null
      const opening: Opening = {
        kind: what,
        ...free,
        width,
        hinge: 'start',
        swings: 'in',
        usually: 'shut',
        passage: null,
      }
      return {
        plan: { ...plan, openings: [...plan.openings, opening] },
        thing: { kind: 'opening', at: plan.openings.length },
      }
    }
  }
}

const LISTS: readonly (readonly [ThingKind, (plan: PlanOfRoom) => readonly unknown[]])[] = [
  ['opening', plan => plan.openings],
  ['furniture', plan => plan.furniture],
  ['seat', plan => plan.seats],
  ['heat', plan => plan.heat],
]

/** What stands in the room: put in with a press, and picked to be said more of. */
export function Stands({
  plan,
  edits,
  picked,
  onPick,
}: {
  plan: PlanOfRoom
  edits: RoomPlanEdits
  picked: Thing | null
  onPick: (thing: Thing) => void
}) {
  const say = useSay()
  const nameOf = useThingName(plan)
  const all = LISTS.flatMap(([kind, of]) => of(plan).map((_, at): Thing => ({ kind, at })))
  return (
    <Part title={say`What stands in it`}>
      {all.length > 0 && (
        <ul className="flex flex-wrap gap-2">
          {all.map(thing => (
            <li key={`${thing.kind} ${thing.at}`}>
              <Button
                aria-pressed={picked?.kind === thing.kind && picked.at === thing.at}
                className="aria-pressed:border-plum aria-pressed:bg-tint"
                onClick={() => onPick(thing)}
              >
                {nameOf(thing)}
              </Button>
            </li>
          ))}
        </ul>
      )}
      <PressOne
        label={say`Put in`}
        options={Object.entries(NEW).map(([value, words]) => ({ value: value as New, words: say(words) }))}
        onPress={what => {
          const made = added(plan, what)
          if (made && edits.keep(made.plan)) onPick(made.thing)
        }}
      />
    </Part>
  )
}
