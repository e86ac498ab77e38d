'use client'

import type { ReactNode } from 'react'
import { STAGES } from '@/core/model/vocabulary'
import { page } from '../primitives/part'
import { everyStage, StagePage } from '../stages/stage-page'
import { NothingHere } from '../job/nothing-here'

const OF_THE_JOB = new Map([
  ['', page(() => import('../house/house-page').then(module => module.HousePage))],
  ['panel', page(() => import('../panel/panel-page').then(module => module.PanelPage))],
  ['day', page(() => import('../day/day-page').then(module => module.DayPage))],
  ['defects', page(() => import('../defects/defects-page').then(module => module.DefectsPage))],
  ['pick', page(() => import('../pick/pick-page').then(module => module.PickPage))],
  ['rules', page(() => import('../rules/rules-page').then(module => module.RulesPage))],
  ['whole', page(() => import('../whole/whole-page').then(module => module.WholePage))],
  ['tags', page(() => import('../tags/tags-page').then(module => module.TagsPage))],
  ['sheets', page(() => import('../sheets/sheets-page').then(module => module.SheetsPage))],
  [
    'certificate',
    page(() => import('../certificate/certificate-page').then(module => module.CertificatePage)),
  ],
])

/** Beside its stages. */
const OF_A_BOX = new Map([
  ['breaker', page(() => import('../panel/hunt-page').then(module => module.HuntPage))],
  ['try', page(() => import('../group/group-page').then(module => module.GroupPage))],
])

/** What is about one room. */
const OF_A_ROOM = new Map([['', page(() => import('../rooms/plan-page').then(module => module.PlanPage))]])

/** Fetches every page of a job while there is a connection: without one they come no more. */
export const everyPage = (): Promise<unknown> =>
  Promise.allSettled([
    everyStage(),
    ...[...OF_THE_JOB.values()].map(({ load }) => load()),
    ...[...OF_A_BOX.values()].map(({ load }) => load()),
    ...[...OF_A_ROOM.values()].map(({ load }) => load()),
  ])

/** The page of a job that an address is about, from the part after the job’s own. */
export function pageAt([first = '', of, last = '', ...more]: readonly string[]): ReactNode {
  if (more.length > 0) return <NothingHere />
  if (of === undefined) {
    const found = OF_THE_JOB.get(first)
    return found ? <found.Page /> : <NothingHere />
  }
  if (first === 'rooms') {
    const room = OF_A_ROOM.get(last)
    return room ? <room.Page roomId={of} /> : <NothingHere />
  }
  const stage = STAGES.find(each => each === last)
  const beside = OF_A_BOX.get(last)
  if (first !== 'boxes' || !(stage ?? beside)) return <NothingHere />
  return stage ? <StagePage boxId={of} stage={stage} /> : beside && <beside.Page boxId={of} />
}
