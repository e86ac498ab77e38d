import type { BoxView } from '../job/box-view'
import { hasNoGround, STANDS_IN } from '../job/groundless'
import { sayIn } from '../words/say'

/** What comes with the work by rule, beside the work itself; the authority has the last word on each. */
export interface Duty {
  readonly id: DutyId
  readonly says: string
  readonly because: string
  readonly factId: string
}

export type DutyId =
  | 'protection'
  | 'protection-not-known'
  | 'neutral-at-switch'
  | 'ungrounded-receptacle'
  | 'damp'
  | 'cloth'
  | 'old-boards'
  | 'told-before'

/**
 * The duties that come with the work at a box: of new wiring its protection, its neutral and who is told of it; of a box
 * without a ground what a receptacle there must carry; of damp rooms and old cable what is looked at first.
 */
export function dutiesOf(view: BoxView): Duty[] {
  const isPulled = view.cables.some(({ pulled }) => pulled)
  return [
    ...(isPulled ? [...protectionOf(view), ...neutralOf(view), told(view, TOLD_BEFORE)] : []),
    ...(view.box.kind === 'outlet' && hasNoGround(view) ? [ungrounded(view)] : []),
    ...(view.room.kind === 'wet' || view.room.kind === 'outside' ? [damp(view)] : []),
    ...(view.cables.some(({ sheath }) => sheath === 'cloth')
      ? [told(view, CLOTH), told(view, OLD_BOARDS)]
      : []),
  ]
}

function protectionOf({ region, room, feeds }: BoxView): Duty[] {
  const say = sayIn(region)

  return region.protects
    .filter(({ rooms }) => rooms === null || rooms.includes(room.kind) || room.kind === 'not-said')
    .flatMap(({ by, rooms, words }): Duty[] => {
      const kinds = feeds.map(({ circuit }) => circuit.protection)
      if (kinds.length > 0 && kinds.every(kind => by.includes(kind))) return []
      const isOpen = kinds.length === 0 || kinds.every(kind => kind === 'not-known' || by.includes(kind))
      const names = feeds
        .filter(({ circuit }) => !by.includes(circuit.protection))
        .map(({ circuit }) => circuit.breaker)
      const where =
        rooms === null
          ? say`New and prolonged wiring asks for it.`
          : room.kind === 'not-said'
            ? say`New and prolonged wiring asks for it in some rooms; what this one is for is not said.`
            : say`New and prolonged wiring asks for it in rooms like this one.`
      return [
        {
          id: isOpen ? 'protection-not-known' : 'protection',
          says:
            names.length === 0
              ? say`The new wiring has ${words}: which breaker feeds it is not known yet`
              : isOpen
                ? say`The new wiring has ${words}: see what breaker ${names.join(', ')} has`
                : say`The new wiring has ${words}: breaker ${names.join(', ')} has none`,
          because: where,
          factId: 'protection',
        },
      ]
    })
}

/** A conductor that may be a neutral is there, or the cable that comes brings one. */
function neutralOf(view: BoxView): Duty[] {
  const say = sayIn(view.region)

  if (!view.region.newSwitchNeutral || view.box.kind !== 'control') return []
  const roles = view.ends.map(({ end }) => end.role)
  return roles.includes('neutral') || roles.includes(null)
    ? []
    : [
        {
          id: 'neutral-at-switch',
          says: say`With new wiring a neutral comes to this switch, used or not`,
          because: say`What is put in later lives on it.`,
          factId: 'neutral-at-switch',
        },
      ]
}

function ungrounded({ region, feeds }: BoxView): Duty {
  const say = sayIn(region)

  const isProtected = feeds.length > 0 && feeds.every(({ circuit }) => STANDS_IN.includes(circuit.protection))
  return {
    id: 'ungrounded-receptacle',
    says: say`A receptacle here, and all that is fed from it, is marked “no ground”${isProtected ? '' : say`, and protected against leaks before it is replaced`}`,
    because: say`No ground reaches this box: nobody is to think that one does.`,
    factId: 'ungrounded-receptacle',
  }
}

const damp = ({ room, region }: BoxView): Duty => {
  const say = sayIn(region)
  return {
    id: 'damp',
    says:
      room.kind === 'wet'
        ? say`How near water is: within reach of a bath or a shower no control stands, and beside it only what is made for it`
        : say`What stands here is closed against rain, cover and all`,
    because: say`Zones, distances and the rating of the enclosure are the local code’s; the box and the plate have theirs printed.`,
    factId: 'damp',
  }
}

/** A duty in the words of the job. */
const told = ({ region }: BoxView, { says, because, ...duty }: Duty): Duty => {
  const say = sayIn(region)
  return { ...duty, says: say(says), because: say(because) }
}

const CLOTH: Duty = {
  id: 'cloth',
  says: 'Cloth-covered cable: moved as little as can be, its insulation tested before and after',
  because: 'What crumbles does so where it is bent.',
  factId: 'cloth-test',
}

const OLD_BOARDS: Duty = {
  id: 'old-boards',
  says: 'Old boards, backs and fillings may hold asbestos: not drilled, not broken, looked at by who may',
  because: 'It is as old as the cable.',
  factId: 'old-boards',
}

const TOLD_BEFORE: Duty = {
  id: 'told-before',
  says: 'New wiring is told to the authority, or has its permit, before it is begun',
  because: 'Who may do it, and who looks at it after, is said there.',
  factId: 'told-before',
}
