import { describe, expect, it } from 'vitest'
import { usualBox } from '@/demo/usual'
import { IN_TOUCH, type Unheard } from '@/core/job/hearing'
import { BLANK } from '@/core/model/blank-rows'
import type { Command, Edit, UndoCommand } from '@/core/job/command'
import type { Outcome } from '@/core/job/outcome'
import { transition } from '@/core/job/transition'
import type { VersionedJob } from '@/core/job/since'
import type { StoreWorld } from './job-store'
import { jobStore } from './store'

const record = usualBox().record
const initial: VersionedJob = { record, versions: {}, revision: 5, line: 'one' }
const settled = () => new Promise(resolve => setTimeout(resolve, 0))

const switching = (id: string, to: 'on' | 'off'): Edit => ({
  kind: 'add',
  entity: 'switchings',
  row: { id, circuitId: 'circuit-7', to, ...BLANK.switchings },
})
const tick = (id: string, stepKey = 'take-out:gang-1'): Edit => ({
  kind: 'add',
  entity: 'steps',
  row: { id, boxId: 'box', stepKey, ...BLANK.steps },
})

/** A server that takes everything, with others at work between; it can be away, and answer as it is told. */
function world(given: { answers?: (command: Command) => Outcome | null } = {}) {
  const state = {
    away: false,
    /** Commands of others that come in before the next of ours. */
    others: 0,
    unheard: [] as Unheard[],
    sent: [] as (Command | UndoCommand)[],
    words: [] as object[],
    waiting: [] as (() => void)[],
  }
  let server = initial
  let number = 0
  const reach = () => {
    if (state.away) throw new Error('away')
  }
  const doors: StoreWorld = {
    post: async command => {
      reach()
      state.sent.push(command)
      if (!('edits' in command)) throw new Error('not asked here')
      const told = given.answers?.(command)
      if (told) return told
      const revision = server.revision + state.others + 1
      state.others = 0
      const from = { origin: command.origin, revision }
      const made = transition(server.record, command.edits, {
        now: '2026-03-02T09:00:00.000Z',
        from,
        guards: [],
      })
      if (!made.ok) return { kind: 'refused', faults: made.faults }
      server = { ...server, revision }
      return {
        kind: 'applied',
        revision,
        changes: made.value,
        versions: {},
        undo: { undo: null, redo: null },
        held: [],
      }
    },
    load: async () => {
      reach()
      return server
    },
    loadUndo: async () => ({ undo: null, redo: null }),
    hear: async word => {
      reach()
      state.words.push(word)
      return { line: server.line, revision: server.revision, unheard: state.unheard }
    },
    next: () => ({ device: 'here', number: ++number }),
    by: () => 'Wren',
    now: () => '2026-03-02T09:00:00.000Z',
    later: (_, work) => void state.waiting.push(work),
    keep: async () => undefined,
    forget: () => undefined,
    kept: async () => [],
  }
  return { state, doors, retry: () => state.waiting.splice(0).forEach(work => work()) }
}

describe('what a command says of its person', () => {
  it('is his phone, its number, who has it, and all that had come to it', async () => {
    const { doors, state } = world()
    const store = jobStore(initial, [], doors)
    store.send('switch a breaker', null, [switching('one', 'off')])
    store.send('switch a breaker', null, [switching('two', 'on')])
    await settled()
    expect(state.sent.map(({ origin }) => origin)).toEqual([
      { device: 'here', number: 1, seen: 5, by: 'Wren' },
      { device: 'here', number: 2, seen: 5, by: 'Wren' },
    ])
    store.send('switch a breaker', null, [switching('three', 'on')])
    await settled()
    expect(state.sent[2]!.origin.seen).toBe(7)
  })

  it('is not what others did between, before that has come', async () => {
    const { doors, state } = world()
    let loads = 0
    const store = jobStore(initial, [], {
      ...doors,
      load: having => {
        loads++
        return loads === 1 ? Promise.reject(new Error('away')) : doors.load(having)
      },
    })
    state.others = 3
    store.send('switch a breaker', null, [switching('one', 'off')])
    await settled()
    // Its own was answered with the ninth revision; what lies between did not come.
    expect(loads).toBe(1)
    store.send('switch a breaker', null, [switching('two', 'off')])
    await settled()
    expect(state.sent[1]!.origin.seen).toBe(5)
    await settled()
    expect(loads).toBe(2)
    store.send('switch a breaker', null, [switching('three', 'off')])
    await settled()
    expect(state.sent[2]!.origin.seen).toBe(10)
  })

  it('that somebody switched on is told, whatever becomes of the rest', async () => {
    const refused: Outcome = { kind: 'refused', faults: [{ path: '/', code: 'held', message: 'Not on yet' }] }
    for (const told of [refused, { kind: 'stale', stale: [] } as const]) {
      const { doors, state } = world({
        answers: ({ edits: [edit] }) =>
          edit?.kind === 'add' && edit.entity === 'switchings' && !edit.row.foundSo ? told : null,
      })
      const store = jobStore(initial, [], doors)
      store.send('switch a breaker', null, [switching('one', 'on')])
      await settled()
      await settled()
      expect(state.sent).toHaveLength(2)
      expect(state.sent[1]).toMatchObject({
        origin: { number: 2, seen: 5 },
        edits: [{ row: { id: 'one', to: 'on', foundSo: true } }],
      })
      expect(store.snapshot().record.switchings.one).toMatchObject({ to: 'on', foundSo: true })
    }
  })

  it('done it is, and what others rely on is told', async () => {
    const { doors } = world({
      answers: () => ({
        ...{ kind: 'applied', revision: 6, changes: [], versions: {}, undo: { undo: null, redo: null } },
        held: [{ path: '/', code: 'held', message: 'Room, Box is apart' }],
      }),
    })
    const store = jobStore(initial, [], doors)
    store.send('switch a breaker', null, [switching('one', 'on')])
    await settled()
    expect(store.snapshot()).toMatchObject({ refusal: null, against: [{ message: 'Room, Box is apart' }] })
  })
})

describe('a phone that may miss something', () => {
  it('keeps hands out of a box until it was asked aloud, and keeps what was said with the step', async () => {
    const { doors, state, retry } = world()
    const store = jobStore(initial, [], doors)
    store.start()
    await store.hear()
    expect(store.snapshot().touch).toEqual(IN_TOUCH)
    state.away = true
    await store.hear()
    // One word that is not answered may be chance.
    expect(store.snapshot().touch).toEqual(IN_TOUCH)
    await store.hear()
    expect(store.snapshot().touch.lostSince).not.toBeNull()
    expect(store.send('tick a step', 'box', [tick('one')])).toBe(false)
    expect(store.snapshot().refusal?.[0]?.code).toBe('ask-aloud')
    // What has no hand in it needs no word.
    expect(store.send('tick a step', 'box', [tick('photo', 'photo')])).toBe(true)
    store.askedAloud('another', 'That one is off')
    expect(store.send('tick a step', 'box', [tick('one')])).toBe(false)
    store.askedAloud('box', 'Off, says Ash')
    expect(store.send('tick a step', 'box', [tick('one')])).toBe(true)
    expect(store.snapshot().record.steps.one!.asked).toBe('Off, says Ash')
    expect(store.snapshot().record.steps.photo!.asked).toBeNull()
    // Switched on since, the answer was of before.
    expect(store.send('switch a breaker', null, [switching('on', 'on')])).toBe(true)
    expect(store.send('tick a step', 'box', [tick('three', 'sign')])).toBe(false)

    state.away = false
    // Heard again, but what was done here is not told yet.
    await store.hear()
    expect(store.snapshot().touch.lostSince).not.toBeNull()
    retry()
    await settled()
    await store.hear()
    expect(store.snapshot().touch).toEqual(IN_TOUCH)
    expect(store.send('tick a step', 'box', [tick('two')])).toBe(true)
    expect(store.snapshot().record.steps.two!.asked).toBeNull()
  })

  it('is one that hears of another that is not heard; what was said of that is told', async () => {
    const { doors, state } = world()
    const store = jobStore(initial, [], doors)
    store.start()
    state.unheard = [{ device: 'there', by: 'Ash', since: '2026-03-02T08:00:00.000Z' }]
    await store.hear()
    expect(store.send('tick a step', 'box', [tick('one')])).toBe(false)
    store.askedAloud('box', 'Nothing was switched, says Ash')
    await settled()
    expect(state.words.at(-1)).toMatchObject({
      aside: { devices: ['there'], said: 'Nothing was switched, says Ash' },
    })
    expect(store.send('tick a step', 'box', [tick('one')])).toBe(true)
  })

  it('is one that slept, until it is heard', async () => {
    let now = Date.parse('2026-03-02T09:00:00.000Z')
    const { doors } = world()
    const store = jobStore(initial, [], { ...doors, now: () => new Date(now).toISOString() })
    store.start()
    await store.hear()
    now += 60_000
    store.wake()
    expect(store.send('tick a step', 'box', [tick('one')])).toBe(false)
    await settled()
    expect(store.snapshot().touch).toEqual(IN_TOUCH)
  })

  it('put away and taken out without a connection, it takes nothing that others must know of', async () => {
    const { doors, state } = world()
    const store = jobStore(initial, [], doors)
    store.start()
    store.rest()
    state.away = true
    expect(store.send('switch a breaker', null, [switching('one', 'on')])).toBe(false)
    expect(store.snapshot().refusal?.[0]?.code).toBe('put-away')
    expect(store.send('switch a breaker', null, [switching('two', 'off')])).toBe(true)
    state.away = false
    await store.hear()
    expect(store.send('switch a breaker', null, [switching('one', 'on')])).toBe(true)
  })
})
