import { boxView, isOwnLead, runsThrough, type BoxView } from '../job/box-view'
import { claimStatus } from '../identify'
import { rowsOf, type JobRecord } from '../model/record'
import { linesToTell } from '../panel'
import type { Trade } from '../model/trade'
import { SIDE_OF } from '../model/roles'
import { STAGES, type Stage } from '../model/vocabulary'
import { openOnLook } from './open-on-look'
import { testList } from './prove-list'
import { controlsBeyond, isForControls, isForWiring, isSettled } from './settled'
import { planBox } from './steps'
import { settingsAtPlace } from './setting-state'
import { sayIn } from '../words/say'

export type StageState = 'waiting' | 'begun' | 'done'

export interface StageProgress {
  readonly stage: Stage
  readonly state: StageState
  /** What is still missing, in a few words; empty once done. */
  readonly missing: string
}

export interface BoxProgress {
  readonly boxId: string
  readonly stages: readonly StageProgress[]
  /** The first stage that is not done, or null when the box is. */
  readonly next: StageProgress | null
}

/** How far a box is: each stage from what the record shows, never from a tick of its own. */
export function progressOf(view: BoxView, trade: Trade): BoxProgress {
  const stages = STAGES.map(stage => ({ stage, ...PROGRESS[stage](view, trade) }))
  return { boxId: view.box.id, stages, next: stages.find(each => each.state !== 'done') ?? null }
}

export const progressOfJob = (record: JobRecord, trade: Trade): BoxProgress[] =>
  rowsOf(record, 'boxes').flatMap(box => {
    const view = boxView(record, box.id)
    return view ? [progressOf(view, trade)] : []
  })

type Rule = (view: BoxView, trade: Trade) => Omit<StageProgress, 'stage'>

const state = (missing: readonly string[], begun: boolean): Omit<StageProgress, 'stage'> => ({
  state: missing.length === 0 ? 'done' : begun ? 'begun' : 'waiting',
  missing: missing[0] ?? '',
})

const look: Rule = (view, trade) =>
  state(
    openOnLook(view, trade).map(({ says }) => says),
    view.ends.length > 0 || view.places.some(place => place.loads.length > 0),
  )

const test: Rule = view => {
  const say = sayIn(view.region)

  const through = runsThrough(view)
  const roles = view.ends
    .filter(each => !isOwnLead(each) && !through.has(each.end.id))
    .map(each => ({ each, status: claimStatus(view, each) }))
  const contradicted = roles.find(({ status }) => status.proof === 'contradicted')
  const open = roles.filter(
    ({ each, status }) =>
      each.end.role === null || (status.proof !== 'proven' && SIDE_OF[each.end.role] !== 'apart'),
  )
  const missing = [
    ...(roles.length === 0 ? [say`nothing to read yet`] : []),
    ...(contradicted ? [say`readings contradict: ${contradicted.each.name}`] : []),
    ...(open.length > 0
      ? [say.count(roles.length, '{0} of # role not proven', '{0} of # roles not proven', open.length)]
      : []),
    ...linesToTell(view).map(({ end }) => say`not known which breaker feeds ${end.name}`),
  ]
  return state(
    missing,
    roles.some(({ status }) => status.role !== null),
  )
}

const NOTHING_TO_DO: Omit<StageProgress, 'stage'> = { state: 'done', missing: '' }

const choose: Rule = view => {
  const say = sayIn(view.region)

  if (!isForControls(view)) return NOTHING_TO_DO
  const open = view.places.filter(place => !isSettled(view, place))
  return state(
    [
      ...(view.places.length === 0 ? [say`no control recorded`] : []),
      ...(open.length > 0 ? [say`device not chosen`] : []),
    ],
    open.length < view.places.length,
  )
}

const wire: Rule = (view, trade) => {
  const say = sayIn(view.region)

  if (!isForControls(view) && controlsBeyond(view).length === 0) return NOTHING_TO_DO
  if (!isForWiring(view)) return state([say`waits for a device`], false)
  const { steps, routed } = planBox(view, trade)
  if (!routed.ok) return state([routed.faults[0]!.message], false)
  const ticks = steps.filter(each => each.doneBy === 'tick' && each.kind !== 'open')
  const open = ticks.filter(each => !each.done)
  return state(
    open.length > 0
      ? [say.count(ticks.length, '{0} of # step open', '{0} of # steps open', open.length)]
      : [],
    open.length < ticks.length,
  )
}

const set: Rule = (view, trade) => {
  const say = sayIn(view.region)

  if (!isForControls(view)) return NOTHING_TO_DO
  if (view.places.length === 0 || view.places.some(place => !isSettled(view, place)))
    return state([say`waits for a device`], false)
  // What comes as it is to be is none of the work.
  const all = view.places
    .flatMap(place => settingsAtPlace(view, place, trade))
    .filter(({ is }) => is !== 'as-it-comes')
  const open = all.filter(({ is }) => is === 'open')
  const other = all.find(({ is }) => is === 'otherwise')
  return state(
    open.length > 0
      ? [say.count(all.length, '{0} of # setting open', '{0} of # settings open', open.length)]
      : other
        ? [say`not as worked out, and no reason: ${other.setting.name}`]
        : [],
    open.length < all.length,
  )
}

const prove: Rule = (view, trade) => {
  const say = sayIn(view.region)

  if (!isForControls(view))
    return wire(view, trade).state === 'done' ? NOTHING_TO_DO : state([say`waits for the wiring`], false)
  if (view.places.length === 0 || view.places.some(place => !isSettled(view, place)))
    return state([say`waits for a device`], false)
  if (wire(view, trade).state !== 'done') return state([say`waits for the wiring`], false)
  const items = view.places.flatMap(place => testList(view, place, trade))
  const failed = items.find(item => item.outcome === 'fail')
  const open = items.filter(item => item.outcome === null)
  return state(
    failed
      ? [say`failed: ${failed.says}`]
      : open.length > 0
        ? [say.count(items.length, '{0} of # test open', '{0} of # tests open', open.length)]
        : [],
    open.length < items.length,
  )
}

const PROGRESS: Readonly<Record<Stage, Rule>> = { look, test, choose, wire, set, prove }
