import { isOwnLead, runsThrough, type BoxView } from '../job/box-view'
import { STEP_WHEN } from './setting-steps'
import { SEEN_DONE, step, type Draft, type Step } from './step'
import { workSteps } from './work-steps'
import { claimStatus } from '../identify'
import { lockWay } from '../model/house-rules'
import type { Result } from '../model/result'
import type { LockWay } from '../model/vocabulary'
import type { Trade } from '../model/trade'
import { foundJointOf, routeBox, type RoutedBox } from '../route'
import { ticksThatCount, isDrawnOut, isolationOf, isOpened, type Isolation, type SafetyNeed } from '../safety'
import { sayIn } from '../words/say'

export interface BoxPlan {
  readonly routed: Result<RoutedBox>
  readonly steps: readonly Step[]
  readonly isolation: Isolation
}

/** The work on one box in its safe order, each step with what still holds it back. */
export function planBox(view: BoxView, trade: Trade): BoxPlan {
  const isolation = isolationOf(view)
  const routed = routeBox(view, trade)
  const ticked = new Set(ticksThatCount(view).map(({ stepKey }) => stepKey))
  const drafts = [
    ...beforeSteps(view, isolation, routed, trade),
    ...(routed.ok ? workSteps(view, routed.value, trade) : []),
  ]
  return { routed, isolation, steps: withHolds(view, drafts, ticked, isolation, routed) }
}

/** Ends of conductors that run through unbroken, and still will: nothing can be read on them, and nobody cuts them. */
function leftThrough(view: BoxView, routed: Result<RoutedBox>): ReadonlySet<string> {
  const through = runsThrough(view)
  if (!routed.ok) return through
  const { joints, pigtails } = routed.value
  const stay = joints.filter(joint => foundJointOf(view, joint, pigtails)).flatMap(({ endIds }) => endIds)
  return new Set(stay.filter(id => through.has(id)))
}

function beforeSteps(
  view: BoxView,
  isolation: Isolation,
  routed: Result<RoutedBox>,
  { minutes }: Trade,
): Draft[] {
  const say = sayIn(view.region)

  const open = (kind: SafetyNeed['kind']) => isolation.needs.some(need => need.kind === kind)
  const { backFeed } = view.record.job
  const mainOff = isolation.toSwitchOff.includes(null)
  const what = isolation.toSwitchOff
    .map(circuit =>
      circuit ? say`breaker ${circuit.breaker} (${circuit.label || say`no label`})` : say`the main switch`,
    )
    .join(say` and `)
  const left = leftThrough(view, routed)
  const unproven = view.ends.filter(
    each =>
      each.end.role !== null &&
      each.end.role !== 'spare' &&
      !isOwnLead(each) &&
      !left.has(each.end.id) &&
      claimStatus(view, each).proof !== 'proven',
  )
  return [
    step(
      { kind: 'photo' },
      'record',
      say`Take a photo of the closed box, and one of the open box before anything is moved`,
      say`It is the only way back.`,
      minutes.photo,
    ),
    {
      ...step(
        { kind: 'tester' },
        'reading',
        say`Prove the tester on a known live point`,
        say`A dead tester reads every wire as dead. Meter and leads rated for the place: category III at a box, IV where the supply comes into the panel.${mainOff ? say` With the main off, on a proving unit.` : ''}`,
        minutes.proving,
      ),
      doneBy: 'record',
      done: !open('prove-tester'),
    },
    {
      ...step(
        { kind: 'reference' },
        'reading',
        say`Prove the reference: live point to reference reads nominal`,
        say`In an ungrounded metal box everything reads 0: bring a reference in.`,
        minutes.proving,
      ),
      doneBy: 'record',
      done: !open('prove-reference'),
    },
    ...unproven.map(each => ({
      ...step(
        { kind: 'identify', endId: each.end.id },
        'live' as const,
        say`Identify ${each.name}: ${claimStatus(view, each).settledBy}`,
        say`Connected by what it was proven to be, never by its color. Probes only; nobody holds anything.`,
        minutes.identifying,
      ),
      doneBy: 'record' as const,
      done: false,
    })),
    {
      ...step(
        { kind: 'isolate' },
        'switch',
        say`Switch off ${what}${backFeed === 'yes' ? say`, and what else feeds the house (solar, battery, standby),` : ''} and ${say(HELD_OFF[lockWay(view.record)])}`,
        say`${backFeed === 'not-known' ? say`Ask first whether solar, a battery or a standby set feeds this house too: with the main off it can be live by them. ` : ''}Nobody else can switch it on. Labels at the panel are not believed until a reading agrees.`,
        minutes.switching,
      ),
      doneBy: 'record',
      done: !open('switch-off') && !open('lock'),
    },
    ...openSteps(view, isolation, minutes),
    {
      ...step(
        { kind: 'dead' },
        'reading',
        say`Read dead at every conductor: ${isolation.endsReadDead} of ${isolation.ends} done`,
        say`At most 5 V on a low-impedance meter to the proven reference, whatever circuits are known.`,
        Math.max(2, isolation.ends) * minutes.reading,
      ),
      doneBy: 'record',
      done: !open('read-dead') && isolation.ends > 0,
    },
    {
      ...step(
        { kind: 'tester-again' },
        'reading',
        say`Prove the tester again on the known live point`,
        say`Only then do the dead readings count.`,
        minutes.proving,
      ),
      doneBy: 'record',
      done: !open('prove-tester-again'),
    },
  ]
}

/** The plate and the devices come off after the power is, and nothing bare is touched; not where it was opened already. */
function openSteps(view: BoxView, isolation: Isolation, minutes: Trade['minutes']): Draft[] {
  const say = sayIn(view.region)

  if (view.box.kind !== 'control') return []
  const held = view.places.some(({ found }) => found !== null)
  return [
    {
      ...step(
        { kind: 'plate-off' },
        'open',
        say`Take the plate off`,
        say`Its screws only; nothing behind it is touched.`,
        minutes.opening,
      ),
      ...(isOpened(view) ? SEEN_DONE : {}),
    },
    ...(held
      ? [
          {
            ...step(
              { kind: 'device-out' },
              'open' as const,
              say`Read the screws of each device dead, then draw it out by its strap`,
              say`No hand on a screw or a conductor: what is behind it was not read yet.`,
              minutes.opening,
            ),
            ...(isDrawnOut(view) ? SEEN_DONE : {}),
            before: onScrews(view, isolation),
          },
        ]
      : []),
  ]
}

/** Conductors on the screws of devices, which can be read with the plate off, and were not yet. */
const onScrews = (view: BoxView, { needs }: Isolation): string[] =>
  needs.flatMap(need =>
    need.kind === 'read-dead' && need.end.end.seat === 'terminal' ? [needWords(view, need)] : [],
  )

/** What no other hand comes before: readings, and what gives conductors another meaning. */
const COMES_FIRST: readonly Draft['name']['kind'][] = ['clamp', 'parted', 'exchange']

/** What stands before the plate comes off. */
export const BEFORE_OPENING: readonly SafetyNeed['kind'][] = [
  'prove-tester',
  'prove-reference',
  'switch-off',
  'lock',
]

function withHolds(
  view: BoxView,
  drafts: readonly Draft[],
  ticked: ReadonlySet<string>,
  isolation: Isolation,
  routed: Result<RoutedBox>,
): Step[] {
  const say = sayIn(view.region)

  // Once the last thing is done the box is finished: what came before it stays done, though the power is on again.
  // A setting that was not asked for then is asked for in Set, and opens nothing again.
  const ticks = drafts.filter(({ doneBy, name }) => doneBy === 'tick' && !(name.kind in STEP_WHEN))
  const finished = routed.ok && ticks.length > 0 && ticks.every(({ key }) => ticked.has(key))
  const isDone = (draft: Draft) => finished || (draft.done ?? ticked.has(draft.key))
  const openBefore = (index: number, wanted: (draft: Draft) => boolean) =>
    drafts.slice(0, index).find(draft => wanted(draft) && !isDone(draft))
  return drafts.map(({ before: ownHolds = [], ...draft }, index) => {
    const holds: string[] = []
    if (draft.kind === 'touch') {
      holds.push(...isolation.needs.map(need => needWords(view, need)))
      if (!routed.ok) holds.push(...routed.faults.map(each => each.message))
      const before = openBefore(
        index,
        other => COMES_FIRST.includes(other.name.kind) || other.kind === 'live',
      )
      if (before) holds.push(before.says)
    }
    if (draft.kind === 'open') {
      const off = isolation.needs.filter(({ kind }) => BEFORE_OPENING.includes(kind))
      holds.push(...off.map(need => needWords(view, need)))
    }
    holds.push(...ownHolds)
    if (draft.kind === 'power') {
      const before = openBefore(index, other => other.kind === 'touch')
      if (before) holds.push(say`Not before: ${before.says}`)
    }
    return { ...draft, done: isDone(draft), holds: [...new Set(holds)] }
  })
}

const HELD_OFF: Readonly<Record<LockWay, string>> = {
  'lock-and-tag': 'lock it, with a tag; keep the key',
  'tape-and-tag': 'tape its handle down, with a tag',
  'fuse-kept': 'take its fuse out and keep it, with a tag in its place',
}

/** A need of the safe sequence, as a person is told it. */
export function needWords(view: BoxView, need: SafetyNeed): string {
  const say = sayIn(view.region)

  switch (need.kind) {
    case 'prove-tester':
      return say`Prove the tester on a known live point`
    case 'prove-reference':
      return say`Prove the reference against a live point`
    case 'switch-off':
      return need.circuit ? say`Switch off breaker ${need.circuit.breaker}` : say`Switch off the main switch`
    case 'lock':
      return say`${need.circuit ? say`breaker ${need.circuit.breaker}` : say`The main switch`} is off, and nothing keeps it so: ${say(HELD_OFF[lockWay(view.record)])}`
    case 'read-dead':
      return need.volts === null
        ? say`Read dead at ${need.end.name}`
        : say`${need.end.name} read ${need.volts} V: not dead. Stop, find what feeds it`
    case 'prove-tester-again':
      return say`Prove the tester again on the known live point`
  }
}
