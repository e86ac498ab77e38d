import { describe, expect, it } from 'vitest'
import type { UndoState } from '@/core/job/history'
import type { VersionedJob } from '@/core/job/since'
import { initial, record, rename, settled, world } from '@/testing/job/world-in-memory'
import type { JobStore } from './job-store'
import { jobStore } from './store'

/** What a page that is opened now gets. */
const confirmedIn = (store: JobStore): VersionedJob => {
  const { record, versions, revision, line } = store.snapshot()
  return { record, versions, revision, line }
}

describe('the job in the browser', () => {
  it('shows an edit at once and calls it saved when the server says so', async () => {
    const { doors } = world()
    const store = jobStore(initial, [], doors)
    expect(store.send('edit a box', 'box', [rename('New', 1)])).toBe(true)
    expect(store.snapshot().record.boxes.box!.name).toBe('New')
    expect(store.snapshot().save).toBe('saving')
    await settled()
    expect(store.snapshot()).toMatchObject({ save: 'saved', versions: { boxes: { box: 2 } } })
  })

  it('keeps every object that did not change when the job is fetched anew', async () => {
    const fetched = { value: structuredClone(initial) }
    const store = jobStore(initial, [], { ...world().doors, load: async () => fetched.value })
    let told = 0
    store.subscribe(() => told++)
    await store.refresh()
    expect(store.snapshot().record).toBe(record)
    expect(told).toBe(0)

    const copy = structuredClone(initial)
    const rooms = { ...copy.record.rooms, room: { ...copy.record.rooms.room!, name: 'Renamed' } }
    fetched.value = { ...copy, record: { ...copy.record, rooms }, revision: 1 }
    await store.refresh()
    const now = store.snapshot().record
    expect(now.rooms.room!.name).toBe('Renamed')
    expect(now.ends).toBe(record.ends)
    expect(now.job).toBe(record.job)
    expect(told).toBe(1)

    const { box, ...others } = now.boxes
    fetched.value = { ...fetched.value, record: { ...now, boxes: others }, revision: 2 }
    await store.refresh()
    expect(box).toBeDefined()
    expect(store.snapshot().record.boxes.box).toBeUndefined()
  })

  it('lets no older job, fetched while an edit was confirmed, take the edit back', async () => {
    let arrive: (job: VersionedJob) => void = () => {}
    let asked = 0
    const load = () =>
      asked++ === 0
        ? new Promise<VersionedJob>(resolve => (arrive = resolve))
        : Promise.resolve(confirmedIn(store))
    const store = jobStore(initial, [], { ...world().doors, load })
    const refreshed = store.refresh()
    store.send('edit a box', 'box', [rename('New', 1)])
    await settled()
    arrive(initial)
    await refreshed
    expect(asked).toBe(2)
    expect(store.snapshot().record.boxes.box!.name).toBe('New')
  })

  it('refuses here what the core refuses, and sends nothing', async () => {
    const { doors, state } = world()
    const store = jobStore(initial, [], doors)
    expect(
      store.send('edit a box', 'box', [
        { kind: 'change', entity: 'boxes', id: 'box', based: 1, fields: { roomId: 'attic' } },
      ]),
    ).toBe(false)
    expect(store.snapshot().refusal?.[0]?.code).toBe('no-such-row')
    await settled()
    expect(state.sent).toEqual([])
  })

  it('an answer lost on the way is asked for again under the same id', async () => {
    const { doors, state, retry, seen } = world({ losesAnswers: 2 })
    const store = jobStore(initial, [], doors)
    store.send('edit a box', 'box', [rename('New', 1)])
    for (let round = 0; round < 4; round++) {
      await settled()
      retry()
    }
    await settled()
    expect(new Set(state.sent).size).toBe(1)
    expect(state.sent).toHaveLength(3)
    expect(seen.size).toBe(1)
    expect(store.snapshot().save).toBe('saved')
  })

  it('a stale edit is taken back and what changed is said', async () => {
    const { doors } = world({ stale: true })
    const store = jobStore(initial, [], doors)
    store.send('edit a box', 'box', [rename('Mine', 1)])
    await settled()
    await settled()
    expect(store.snapshot().record.boxes.box!.name).toBe('By the door')
    expect(store.snapshot().conflict?.stale[0]).toMatchObject({ id: 'box', fields: ['name'] })
    store.decide(null)
    expect(store.snapshot().conflict).toBeNull()
  })

  it('undo pressed before the edit was answered takes back that edit', async () => {
    const { doors, state } = world()
    const store = jobStore(initial, [], doors)
    store.send('edit a box', 'box', [rename('New', 1)])
    store.takeBack('undo', 'box')
    await settled()
    await settled()
    expect(state.sent).toHaveLength(2)
    expect(store.snapshot()).toMatchObject({
      save: 'saved',
      record: { boxes: { box: { name: 'By the door' } } },
    })
  })

  it('undo pressed twice, faster than it is answered, takes back two edits', async () => {
    const { doors, state } = world()
    const store = jobStore(initial, [], doors)
    store.send('edit a box', 'box', [rename('One', 1)])
    await settled()
    store.send('edit a box', 'box', [rename('Two', 2)])
    await settled()
    store.takeBack('undo', 'box')
    store.takeBack('undo', 'box')
    store.takeBack('undo', 'box')
    for (let count = 0; count < 4; count++) await settled()
    // The third finds nothing left to be taken back.
    expect(state.sent).toHaveLength(4)
    expect(store.snapshot().record.boxes.box!.name).toBe('By the door')
    expect(store.snapshot().save).toBe('saved')
  })

  it('undo pressed before the page knows what can be taken back waits for that', async () => {
    const { state, doors } = world()
    const before = jobStore(initial, [], doors)
    before.send('edit a box', 'box', [rename('East', 1)])
    await settled()
    const opened = jobStore(confirmedIn(before), [], doors)
    opened.start()
    opened.takeBack('undo', 'box')
    await settled()
    expect(opened.snapshot().record.boxes.box!.name).not.toBe('East')
    opened.takeBack('undo', 'box')
    await settled()
    expect(state.sent).toHaveLength(2)
  })

  it('undo pressed while nothing is known and the server is away does nothing later', async () => {
    const { state, doors } = world()
    const before = jobStore(initial, [], doors)
    before.send('edit a box', 'box', [rename('East', 1)])
    await settled()
    state.down = true
    const opened = jobStore(confirmedIn(before), [], doors)
    opened.takeBack('undo', 'box')
    await settled()
    state.down = false
    opened.start()
    await settled()
    expect(opened.snapshot().record.boxes.box!.name).toBe('East')
    expect(state.sent).toHaveLength(1)
  })

  it('is not saved while a press waits to be told what can be taken back', async () => {
    const { state, doors } = world()
    const before = jobStore(initial, [], doors)
    before.send('edit a box', 'box', [rename('East', 1)])
    await settled()
    let tell: () => void = () => undefined
    const told = new Promise<void>(resolve => (tell = resolve))
    const loadUndo = (boxId: string | null) => told.then(() => doors.loadUndo(boxId))
    const opened = jobStore(confirmedIn(before), [], { ...doors, loadUndo })
    opened.start()
    await settled()
    expect(opened.snapshot().save).toBe('saved')
    opened.takeBack('undo', 'box')
    await settled()
    expect(opened.snapshot().save).toBe('saving')
    tell()
    await settled()
    expect(opened.snapshot().save).toBe('saved')
    expect(opened.snapshot().record.boxes.box!.name).toBe('By the door')
    expect(state.sent).toHaveLength(2)
  })

  it('is not saved from the press on, however long this browser takes to keep it', async () => {
    const { doors } = world()
    const store = jobStore(initial, [], doors)
    store.send('edit a box', 'box', [rename('New', 1)])
    await settled()
    expect(store.snapshot().save).toBe('saved')
    store.takeBack('undo', 'box')
    expect(store.snapshot().save).toBe('saving')
    await settled()
    expect(store.snapshot()).toMatchObject({
      save: 'saved',
      record: { boxes: { box: { name: record.boxes.box!.name } } },
    })
  })

  it('says so where it cannot be told what can be taken back', async () => {
    const { doors } = world()
    const store = jobStore(initial, [], {
      ...doors,
      loadUndo: () => Promise.reject(new Error('no connection')),
    })
    store.start()
    await settled()
    store.takeBack('undo', 'box')
    await settled()
    expect(store.snapshot().refusal?.[0]?.code).toBe('not-asked')
    expect(store.snapshot().save).toBe('saved')
  })

  it('what an answer told is not overwritten by what was asked before it', async () => {
    const { doors } = world()
    let answer: (undo: UndoState) => void = () => undefined
    const asked = new Promise<UndoState>(resolve => (answer = resolve))
    const store = jobStore(initial, [], { ...doors, loadUndo: () => asked })
    store.needUndo('box')
    store.send('edit a box', 'box', [rename('East', 1)])
    await settled()
    answer({ undo: null, redo: null })
    await settled()
    expect(store.snapshot().undo.box?.undo?.name).toBe('edit a box')
  })

  it('undo goes through the log', async () => {
    const { doors } = world()
    const store = jobStore(initial, [], doors)
    store.send('edit a box', 'box', [rename('New', 1)])
    await settled()
    store.takeBack('undo', 'box')
    await settled()
    expect(store.snapshot().record.boxes.box!.name).toBe('By the door')
    store.takeBack('redo', 'box')
    expect(store.snapshot().save).toBe('saved')
  })
})
