import { trade } from '@/catalogue'
import { boxView } from '@/core/job/box-view'
import type { Change } from '@/core/job/change'
import type { Command, Edit, UndoCommand } from '@/core/job/command'
import { mayMissAnOn } from '@/core/job/hearing'
import type { Outcome } from '@/core/job/outcome'
import { takenBack } from '@/core/job/taken-back'
import { checked, transition } from '@/core/job/transition'
import { applyChanges } from '@/core/job/change'
import { BLANK } from '@/core/model/blank-rows'
import type { NewRow } from '@/core/model/entities'
import type { JobRecord } from '@/core/model/record'
import { holdPoints, powerHolds } from '@/core/plan'
import { APART, isolationOf } from '@/core/safety'
import { bareJob, fedAtTheSwitch } from '@/demo/usual'
import type { VersionedJob } from '@/core/job/since'
import type { JobStore, StoreWorld } from '@/ui/job/job-store'
import { jobStore } from '@/ui/job/store'

/** Which breakers feed which box. */
export const FEEDS = { one: ['7'], two: ['7'], three: ['8'], four: ['7', '8'] } as const
export type BoxName = keyof typeof FEEDS
export const BOXES = Object.keys(FEEDS) as readonly BoxName[]
export const BREAKERS = ['7', '8'] as const
export type BreakerName = (typeof BREAKERS)[number]

/** Four boxes on two breakers, everything on and in order. */
export function fourBoxes(): JobRecord {
  const job = bareJob('four', { breakers: BREAKERS })
  for (const name of BOXES)
    job.box({
      ...{ id: name, name, room: 'room', breakers: FEEDS[name], cables: fedAtTheSwitch(true) },
      controls: [{ group: `light-${name}`, name: `Light ${name}`, old: 'old-switch' }],
    })
  return job.record()
}

export type Act =
  | { readonly does: 'lose' | 'regain' | 'rest'; readonly phone: number }
  | {
      readonly does: 'tester' | 'reference' | 'read' | 'touch'
      readonly phone: number
      readonly box: BoxName
    }
  | { readonly does: 'off' | 'on' | 'found-on'; readonly phone: number; readonly breaker: BreakerName }
  /** Takes back what was done last for the whole house: what it switched stays as it is. */
  | { readonly does: 'take-back'; readonly phone: number }

const settled = () => new Promise<void>(resolve => setImmediate(resolve))

interface Phone {
  readonly store: JobStore
  connected: boolean
  resting: boolean
  waiting: (() => void)[]
  number: number
}

/**
 * A crew with phones at one house, and the house itself: what a breaker does is done at once, whatever any phone knows
 * of it, and every switching is said on the phone of who did it. The server and the phones run the product’s own law;
 * the house is two truths, on or off.
 */
export class CrewAtWork {
  readonly live: Record<BreakerName, boolean> = { '7': true, '8': true }
  readonly phones: readonly Phone[]
  #server: VersionedJob
  readonly #log = new Map<string, { revision: number; changes: readonly Change[] }>()
  #ids = 0
  #clock = Date.parse('2026-03-02T09:00:00.000Z')

  constructor(house: JobRecord, phones: number) {
    this.#server = { record: house, versions: {}, revision: 0, line: 'one' }
    this.phones = Array.from({ length: phones }, (_, at) => this.#phone(at))
    for (const { store } of this.phones) store.start()
  }

  #phone(at: number): Phone {
    const reach = <Of>(work: () => Of): Promise<Of> =>
      phone.connected ? Promise.resolve().then(work) : Promise.reject(new Error('no connection'))
    const world: StoreWorld = {
      post: command => reach(() => this.#take(command)),
      load: () => reach(() => this.#server),
      loadUndo: () => reach(() => ({ undo: null, redo: null })),
      hear: () =>
        reach(() => ({ line: 'one', revision: this.#server.revision, unheard: this.#unheardBy(at) })),
      next: () => ({ device: `phone-${at}`, number: ++phone.number }),
      by: () => '',
      now: () => new Date((this.#clock += 1000)).toISOString(),
      later: (_, work) => void phone.waiting.push(work),
      keep: async () => undefined,
      forget: () => undefined,
      kept: async () => [],
    }
    const phone: Phone = {
      store: jobStore(this.#server, [holdPoints(trade), powerHolds(trade)], world),
      connected: true,
      resting: false,
      waiting: [],
      number: 0,
    }
    return phone
  }

  /** Phones that had the job open and cannot be heard now. */
  #unheardBy(at: number) {
    return this.phones.flatMap(({ connected, resting }, other) =>
      other === at || connected || resting ? [] : [{ device: `phone-${other}`, by: '', since: '' }],
    )
  }

  #take(command: Command | UndoCommand): Outcome {
    const { record, revision, versions } = this.#server
    const from = { origin: command.origin, revision: revision + 1 }
    const guards = [holdPoints(trade), powerHolds(trade)]
    const before = this.#log.get(command.id)
    if (before) return { kind: 'applied', ...before, versions, undo: { undo: null, redo: null }, held: [] }
    const made =
      'undoes' in command
        ? checked(record, takenBack(record, this.#log.get(command.undoes)?.changes ?? []), { from, guards })
        : transition(record, command.edits, { now: new Date(this.#clock).toISOString(), from, guards })
    if (!made.ok) return { kind: 'refused', faults: made.faults }
    const changes = made.value
    this.#server = { line: 'one', record: applyChanges(record, changes), versions, revision: revision + 1 }
    this.#log.set(command.id, { revision: revision + 1, changes })
    return {
      kind: 'applied',
      revision: revision + 1,
      changes,
      versions,
      undo: { undo: { id: command.id, name: command.name }, redo: null },
      held: [],
    }
  }

  /** Everybody with a connection has heard what there is to hear. */
  async heard(): Promise<void> {
    for (let round = 0; round < 2; round++) {
      for (const { store, connected, waiting } of this.phones) {
        if (connected) for (const work of waiting.splice(0)) work()
        await settled()
        await store.hear()
        // One word that is not answered may be chance.
        if (!connected) await store.hear()
      }
      await settled()
    }
  }

  /** Whether a phone lets its person put his hands into a box, nothing asked. */
  allows(phone: number, box: BoxName): boolean {
    const { record, touch } = this.phones[phone]!.store.snapshot()
    return isolationOf(boxView(record, box)!).dead && !mayMissAnOn(touch)
  }

  isLive = (box: BoxName): boolean => FEEDS[box].some(breaker => this.live[breaker])

  /** Somebody does something and says so on his phone; false where the phone held him back. */
  async act(act: Act): Promise<boolean> {
    const phone = this.phones[act.phone]!
    const { store } = phone
    const read = (fields: Partial<NewRow<'readings'>> & { boxId: string }): Edit => ({
      kind: 'add',
      entity: 'readings',
      row: { id: this.#id(), ...BLANK.readings, ...fields },
    })
    switch (act.does) {
      case 'lose':
        phone.connected = false
        break
      case 'regain':
        phone.connected = true
        phone.resting = false
        break
      case 'rest':
        // Put away with all sent.
        if (phone.connected && store.snapshot().save === 'saved') {
          phone.store.rest()
          phone.connected = false
          phone.resting = true
        }
        break
      case 'tester':
      case 'reference':
        store.send('take a reading', act.box, [
          read({ boxId: act.box, purpose: act.does, value: 120, reference: 'a known live point' }),
        ])
        break
      case 'read':
        store.send(
          'take a reading',
          act.box,
          boxView(store.snapshot().record, act.box)!.ends.flatMap(({ end }) => [
            read({
              boxId: act.box,
              purpose: 'dead',
              fromEndId: end.id,
              reference: 'a known live point',
              value: this.isLive(act.box) ? 120 : 0,
              breaker: 'off',
            }),
            read({
              ...{ boxId: act.box, purpose: 'clamp', instrument: 'clamp', fromEndId: end.id },
              ...{ value: 0, resolutionAmps: 0.01, breaker: 'off' },
            }),
          ]),
        )
        break
      case 'off':
        this.live[act.breaker] = false
        store.send('switch a breaker', null, [
          this.#switching(act.breaker, 'off', false),
          {
            kind: 'add',
            entity: 'locks',
            row: {
              id: this.#id(),
              circuitId: `circuit-${act.breaker}`,
              how: 'lock-and-tag',
              keyWith: `Person ${act.phone}`,
            },
          },
        ])
        break
      case 'found-on':
        // What a phone does not take is said aloud, and left as it is.
        if (!store.send('switch a breaker', null, [this.#switching(act.breaker, 'on', true)])) return false
        this.live[act.breaker] = true
        break
      case 'on':
        // Nobody throws a breaker that his phone holds back.
        if (!store.send('switch a breaker', null, [this.#switching(act.breaker, 'on', false)])) {
          store.dismiss()
          return false
        }
        this.live[act.breaker] = true
        break
      case 'touch': {
        const edit: Edit = {
          kind: 'add',
          entity: 'steps',
          row: { id: this.#id(), boxId: act.box, stepKey: APART, ...BLANK.steps },
        }
        const done = store.send('tick a step', act.box, [edit])
        store.dismiss()
        await settled()
        return done
      }
      case 'take-back':
        store.takeBack('undo', null)
        break
    }
    await settled()
    return true
  }

  #id = () => `made-${++this.#ids}`

  #switching = (breaker: BreakerName, to: 'on' | 'off', foundSo: boolean): Edit => ({
    kind: 'add',
    entity: 'switchings',
    row: { id: this.#id(), circuitId: `circuit-${breaker}`, to, ...BLANK.switchings, foundSo },
  })
}
