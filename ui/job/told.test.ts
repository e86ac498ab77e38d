import { describe, expect, it } from 'vitest'
import { usualBox } from '@/demo/usual'
import type { Command, Edit } from '@/core/job/command'
import { transition } from '@/core/job/transition'
import { applyChanges } from '@/core/job/change'
import { rowsNow, type Since, type VersionedJob } from '@/core/job/since'
import { withVersions } from '@/core/job/versions'
import { decided } from './decided'
import type { StoreWorld } from './job-store'
import { jobStore } from './store'

/* Word of what was done comes by itself, before, after and instead of answers. */

const record = usualBox().record
const initial: VersionedJob = { record, versions: { boxes: { box: 1 } }, revision: 3, line: 'one' }
const edit = (fields: object, based: number): Edit =>
  ({ kind: 'change', entity: 'boxes', id: 'box', based, fields }) as Edit
const settled = () => new Promise(resolve => setTimeout(resolve, 0))

/** A server whose answers wait until they are let go, and that tells of every command. */
function world() {
  let server = initial
  const answers: (() => void)[] = []
  const sent: Command[] = []
  const loads: string[] = []
  /** Does it, and tells of it. */
  const apply = (id: string, edits: readonly Edit[]): Since => {
    const made = transition(server.record, edits, { now: '2026-03-02T09:00:00.000Z', guards: [] })
    if (!made.ok) throw new Error(JSON.stringify(made.faults))
    const versions = withVersions(server.versions, [
      { entity: 'boxes', id: 'box', version: (server.versions.boxes?.box ?? 0) + 1 },
    ])
    const from = server.revision
    server = { line: 'one', record: applyChanges(server.record, made.value), versions, revision: from + 1 }
    const rows = rowsNow(
      server,
      made.value.map(({ entity, id: row }) => `${entity}/${row}`),
    )
    return { line: 'one', from, revision: from + 1, commands: [id], rows }
  }
  const doors: StoreWorld = {
    post: command =>
      new Promise(resolve => {
        sent.push(command as Command)
        answers.push(() =>
          resolve({
            kind: 'applied',
            revision: server.revision,
            changes: [],
            versions: server.versions,
            undo: { undo: null, redo: null },
            held: [],
          }),
        )
      }),
    load: async having => {
      loads.push(`${having.line} ${having.revision}`)
      return server
    },
    loadUndo: async () => ({ undo: null, redo: null }),
    hear: async () => ({ line: 'one', revision: server.revision, unheard: [] }),
    next: () => ({ device: 'here', number: 1 }),
    by: () => '',
    now: () => '2026-03-02T09:00:00.000Z',
    later: () => undefined,
    keep: async () => undefined,
    forget: () => undefined,
    kept: async () => [],
  }
  return { doors, apply, sent, answers, loads, now: () => server }
}

describe('word of a command', () => {
  it('of our own that comes before its answer is not made once more, and what follows is based on what is there', async () => {
    const { doors, apply, sent, answers, loads } = world()
    const store = jobStore(initial, [], doors)
    store.send('edit a box', 'box', [edit({ name: 'One' }, 1)])
    await settled()
    store.told(apply(sent[0]!.id, sent[0]!.edits))
    expect(store.snapshot()).toMatchObject({ versions: { boxes: { box: 2 } }, revision: 4 })
    store.send('edit a box', 'box', [edit({ note: 'Two' }, store.snapshot().versions.boxes!.box!)])
    expect(store.snapshot().record.boxes.box).toMatchObject({ name: 'One', note: 'Two' })
    expect(store.snapshot().versions.boxes?.box).toBe(3)
    answers.shift()!()
    await settled()
    expect(sent[1]!.edits[0]).toMatchObject({ based: 2 })
    expect(sent[1]!.origin.seen).toBe(4)
    expect(loads).toEqual([])
  })

  it('of others over our own that is not answered yet is what stands', async () => {
    const { doors, apply, sent } = world()
    const store = jobStore(initial, [], doors)
    store.send('edit a box', 'box', [edit({ name: 'Ours' }, 1)])
    await settled()
    store.told(apply(sent[0]!.id, sent[0]!.edits))
    store.told(apply('theirs', [edit({ name: 'Theirs' }, 2)]))
    expect(store.snapshot().record.boxes.box!.name).toBe('Theirs')
  })

  it('of others stands at once, beneath what waits here', async () => {
    const { doors, apply } = world()
    const store = jobStore(initial, [], doors)
    store.send('edit a box', 'box', [edit({ name: 'Ours' }, 1)])
    store.told(apply('theirs', [edit({ note: 'Theirs' }, 1)]))
    expect(store.snapshot().record.boxes.box).toMatchObject({ name: 'Ours', note: 'Theirs' })
    expect(store.confirmed().record.boxes.box).toMatchObject({ name: record.boxes.box!.name, note: 'Theirs' })
  })

  it('of which a step is left out is fetched, and what is known already changes nothing', async () => {
    const { doors, apply, loads, now } = world()
    const store = jobStore(initial, [], doors)
    const first = apply('one', [edit({ note: 'One' }, 1)])
    const second = apply('two', [edit({ note: 'Two' }, 2)])
    store.told(second)
    await settled()
    expect(loads).toEqual(['one 3'])
    expect(store.snapshot()).toMatchObject({ revision: now().revision })
    const before = store.snapshot()
    store.told(first)
    expect(store.snapshot()).toBe(before)
  })
})

describe('what was fetched before', () => {
  it('and comes after word of something newer does not take that back', async () => {
    const { doors, apply, now } = world()
    const arriving: ((job: VersionedJob) => void)[] = []
    const store = jobStore(initial, [], {
      ...doors,
      load: () => new Promise(resolve => arriving.push(resolve)),
    })
    store.start()
    const refreshed = store.refresh()
    const old = { ...now(), record: structuredClone(now().record) }
    store.told(apply('theirs', [edit({ note: 'Theirs' }, 1)]))
    for (let at = 0; at < 6; at++) {
      arriving.shift()?.(old)
      await settled()
    }
    await refreshed
    expect(store.snapshot()).toMatchObject({ revision: 4, record: { boxes: { box: { note: 'Theirs' } } } })
  })
})

describe('what another page of this browser kept', () => {
  it('is unsent as long as it is, and sent from here once that page did not', async () => {
    const { doors, sent, answers } = world()
    const left: Command = {
      ...{ id: 'left', name: 'edit a box', boxId: 'box', edits: [edit({ name: 'Left' }, 1)] },
      origin: { device: 'here', number: 7, seen: 3, by: '' },
    }
    let kept: Command[] = []
    const words: boolean[] = []
    const store = jobStore(initial, [], {
      ...doors,
      kept: async () => kept,
      forget: id => void (kept = kept.filter(each => each.id !== id)),
      hear: word => {
        words.push(word.unsent)
        return doors.hear(word)
      },
    })
    store.start()
    await store.hear()
    kept = [left]
    await store.hear()
    // It may be on its way from there.
    expect(sent).toEqual([])
    await store.hear()
    expect(sent).toEqual([left])
    expect(store.snapshot()).toMatchObject({ save: 'saving', record: { boxes: { box: { name: 'Left' } } } })
    answers.shift()!()
    await settled()
    expect(kept).toEqual([])
    await store.hear()
    expect(words).toEqual([false, true, true, false])
  })

  it('and sent by itself meanwhile, is let be', async () => {
    const { doors, sent } = world()
    let kept: Command[] = []
    const store = jobStore(initial, [], { ...doors, kept: async () => kept })
    store.start()
    kept = [{ id: 'left', edits: [], boxId: null } as unknown as Command]
    await store.hear()
    kept = []
    await store.hear()
    await store.hear()
    expect(sent).toEqual([])
  })
})

describe('where two set the same', () => {
  const conflict = {
    id: 'c',
    command: 'edit a box' as const,
    boxId: 'box',
    edits: [edit({ name: 'Ours', note: 'Ours too' }, 1)],
    stale: [{ entity: 'boxes', id: 'box', now: { name: 'Theirs' }, version: 4, fields: ['name'] }],
  }
  const now = { record, versions: { boxes: { box: 4 } } }

  it('theirs leaves the field alone and the rest is made; ours is made over what both have seen', () => {
    expect(decided(conflict, new Set(), now)).toEqual([edit({ note: 'Ours too' }, 4)])
    expect(decided(conflict, new Set(['boxes/box/name']), now)).toEqual([
      edit({ name: 'Ours', note: 'Ours too' }, 4),
    ])
  })

  it('what also adds is made as a whole, or not at all', () => {
    const add = { kind: 'add', entity: 'rooms', row: { id: 'more' } } as unknown as Edit
    const whole = { ...conflict, edits: [...conflict.edits, add] }
    expect(decided(whole, new Set(), now)).toEqual([])
    expect(decided(whole, new Set(['boxes/box/name']), now)).toEqual([
      edit({ name: 'Ours', note: 'Ours too' }, 4),
      add,
    ])
  })

  it('what was refused is put away without what is still to be decided', async () => {
    const { doors } = world()
    const stale = [{ entity: 'boxes', id: 'box', now: { name: 'Theirs' }, version: 4, fields: ['name'] }]
    const store = jobStore(initial, [], { ...doors, post: async () => ({ kind: 'stale', stale }) })
    store.send('edit a box', 'box', [edit({ name: 'Ours' }, 1)])
    store.send('edit a box', 'box', [edit({ name: 'Ours again' }, 2)])
    await settled()
    await settled()
    const first = store.snapshot().conflict
    expect(first).toMatchObject({ stale })
    store.dismiss()
    expect(store.snapshot().conflict).toBe(first)
    store.decide(null)
    expect(store.snapshot().conflict).not.toBeNull()
    expect(store.snapshot().conflict).not.toBe(first)
    store.decide(null)
    expect(store.snapshot().conflict).toBeNull()
  })

  it('what is gone is let be, and a row is removed only if that is said again', () => {
    const gone = { ...now, record: { ...record, boxes: {} } }
    expect(decided(conflict, new Set(['boxes/box/name']), gone)).toEqual([])
    const removal = { ...conflict, edits: [{ kind: 'remove', entity: 'boxes', id: 'box', based: 1 } as Edit] }
    expect(decided(removal, new Set(), now)).toEqual([])
    expect(decided(removal, new Set(['boxes/box']), now)).toEqual([{ ...removal.edits[0], based: 4 }])
  })
})
