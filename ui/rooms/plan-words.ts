import type { PlanOfRoom } from '@/core/model/floor-plan'
import type { Fault } from '@/core/model/result'
import { thingName } from '@/core/plan'
import type { Thing } from '@/core/setup'
import type { Say } from '@/core/words/say'
import { useJob } from '../job/provider'
import { useSay } from '../words/use-say'

const FAULT_WORDS: Readonly<Record<string, string>> = {
  crosses: 'This wall would meet another one.',
  'too-few': 'A room has three walls at least.',
  'too-many': 'That is more than a plan holds.',
  'does-not-close': 'The walls do not come back to where they began.',
  'no-such-wall': 'It stands in a wall that is no longer there: move it to another first.',
  overlaps: 'Another opening stands there.',
  outside: 'It would lie outside the walls.',
  'in-an-opening': 'There is an opening: a box hangs in a wall.',
  'no-way': 'Nobody is seen through glass.',
  twice: 'This box is in the room already.',
}

const THINGS: Readonly<Record<string, string>> = {
  corners: 'Wall',
  openings: 'Opening',
  furniture: 'Piece',
  seats: 'Seat',
  heat: 'Heat',
  hangings: 'Box',
}

/** What is wrong with a plan, at what. */
export function planFaultWords(say: Say, { path, code, message }: Fault): string {
  const [, list = '', at] = path.split('/')
  const of = THINGS[list]
  const says = FAULT_WORDS[code] ? say(FAULT_WORDS[code]) : message
  return of === undefined || at === undefined ? says : `${say(of)} ${Number(at) + 1}: ${says}`
}

/** What the things of a plan are called. */
export function useThingName(plan: PlanOfRoom): (thing: Thing) => string {
  const say = useSay()
  const { record } = useJob()
  return thing => thingName(say, plan, thing, id => record.boxes[id]?.name)
}
