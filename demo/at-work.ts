import { trade } from '@/catalogue'
import type { BoxView } from '@/core/job/box-view'
import { BLANK } from '@/core/model/blank-rows'
import type { EntityName, Row } from '@/core/model/entities'
import type { ALONE } from '@/core/model/placed'
import { madeBy, planBox, settingsAtPlace, testList } from '@/core/plan'
import { toClamp, toReadParted } from '@/core/safety'

/** What the rows of a job are put with, as far as the work needs it. */
export interface Bench {
  readonly put: <Name extends EntityName>(name: Name, row: Row<Name>) => void
  readonly read: (boxId: string, reading: Partial<Row<'readings'>>) => void
  readonly view: (boxId: string) => BoxView
  readonly moment: () => typeof ALONE & { readonly seq: number; readonly at: string }
  /** Takes off whatever hangs on a breaker. */
  readonly unlock: (circuitId: string) => void
  readonly keyWith: string
}

/** The crew at the wall: breakers off and locked, boxes read dead, the work done and tried. */
export function atWork({ put, read, view, moment, unlock, keyWith }: Bench) {
  /** An id of its own, and the moment it is of. */
  const named = (of: string) => {
    const now = moment()
    return { id: `${of}-${now.seq}`, ...now }
  }

  const switchTo = (breaker: string, to: 'on' | 'off') =>
    put('switchings', {
      ...named('switching'),
      circuitId: `circuit-${breaker}`,
      to,
      ...BLANK.switchings,
    })

  const lockOff = (breaker: string) =>
    put('locks', { ...named('lock'), circuitId: `circuit-${breaker}`, how: 'lock-and-tag', keyWith })
  /** Tester and reference proved, breakers off and locked, dead at every conductor, tester proved again. */
  const isolate = (boxId: string) => {
    const { ends, feeds } = view(boxId)
    const ground = ends.find(each => each.end.role === 'ground')
    const reference = ground ? { toEndId: ground.end.id } : { reference: 'extension lead, ground' }
    read(boxId, { purpose: 'tester', reference: 'receptacle in the hall' })
    read(boxId, { purpose: 'reference', ...reference })
    for (const { circuit: each } of feeds) {
      switchTo(each.breaker, 'off')
      lockOff(each.breaker)
    }
    for (const { end } of ends) {
      const self = ground?.end.id === end.id
      read(boxId, {
        purpose: 'dead',
        fromEndId: end.id,
        ...(self ? { reference: 'extension lead, ground' } : reference),
        value: 0,
        breaker: 'off',
      })
    }
    read(boxId, { purpose: 'tester', reference: 'receptacle in the hall' })
    for (const { end } of toClamp(view(boxId)))
      read(boxId, {
        purpose: 'clamp',
        instrument: 'clamp',
        fromEndId: end.id,
        value: 0,
        resolutionAmps: 0.01,
        breaker: 'off',
      })
  }

  /** What was let out of its joint is read on its own, and the tester proved once more. */
  const readParted = (boxId: string) => {
    const open = toReadParted(view(boxId))
    for (const { end } of open)
      read(boxId, {
        purpose: 'dead',
        fromEndId: end.id,
        reference: 'extension lead, ground',
        value: 0,
        breaker: 'off',
      })
    if (open.length > 0) read(boxId, { purpose: 'tester', reference: 'receptacle in the hall' })
  }

  /** Ticks steps as they come free; all of them, or the first few. */
  const work = (boxId: string, most = Infinity) => {
    for (let count = 0; count < most; count++) {
      const open = planBox(view(boxId), trade).steps.find(
        step => step.doneBy === 'tick' && !step.done && step.holds.length === 0,
      )
      if (!open) return
      put('steps', { ...BLANK.steps, ...named(`${boxId}-step`), boxId, stepKey: open.key })
      for (const { placeId, setting, value } of madeBy(view(boxId), open.name, trade))
        put('settings', {
          id: `${placeId}-${setting.id}`,
          placeId,
          settingId: setting.id,
          value,
          ...BLANK.settings,
        })
      readParted(boxId)
      if (open.key === 'power')
        for (const { circuit: each } of view(boxId).feeds) {
          unlock(each.id)
          switchTo(each.breaker, 'on')
        }
    }
  }

  const makeSettings = (boxId: string) => {
    for (const each of view(boxId).places)
      for (const { setting, value, is } of settingsAtPlace(view(boxId), each, trade))
        if (is === 'open')
          put('settings', {
            id: `${each.place.id}-${setting.id}`,
            placeId: each.place.id,
            settingId: setting.id,
            value,
            ...BLANK.settings,
          })
  }

  const passTests = (boxId: string) => {
    const here = view(boxId)
    for (const each of here.places)
      for (const item of testList(here, each, trade))
        put('tests', {
          ...named(`${each.place.id}-test`),
          placeId: each.place.id,
          testKey: item.key,
          outcome: 'pass',
          ...BLANK.tests,
        })
  }

  return { isolate, work, makeSettings, passTests }
}
