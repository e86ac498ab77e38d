import { describe, expect, it } from 'vitest'
import { initial, rename, settled, world } from '@/testing/job/world-in-memory'
import { jobStore } from './store'

describe('what is done and not answered', () => {
  it('keeps edits while the server is away, over a reload too, and sends them in order', async () => {
    const { doors, state, retry } = world({ down: true })
    const store = jobStore(initial, [], doors)
    store.send('edit a box', 'box', [rename('One', 1)])
    store.send('edit a box', 'box', [rename('Two', 2)])
    await settled()
    expect(store.snapshot()).toMatchObject({ save: 'waiting' })
    expect(state.kept).toHaveLength(2)
    const after = jobStore(initial, [], doors, { keptAt: null, unsent: state.kept })
    after.start()
    await settled()
    expect(after.snapshot().record.boxes.box!.name).toBe('Two')
    state.down = false
    retry()
    await settled()
    await settled()
    expect(after.snapshot().save).toBe('saved')
    expect(state.kept).toEqual([])
    expect(after.snapshot().record.boxes.box!.name).toBe('Two')
  })

  it('opens until it has looked at what was kept, and keeps nothing over that', async () => {
    const { doors, state, retry } = world({ down: true })
    const before = jobStore(initial, [], doors)
    before.send('edit a box', 'box', [rename('One', 1)])
    await settled()
    const after = jobStore(initial, [], doors, { keptAt: null, unsent: state.kept })
    expect(after.snapshot().save).toBe('opening')
    // Somebody is quicker than the page.
    after.send('edit a box', 'box', [rename('Two', 2)])
    after.start()
    await settled()
    expect(state.kept).toHaveLength(2)
    state.down = false
    retry()
    await settled()
    await settled()
    expect(after.snapshot()).toMatchObject({ save: 'saved', record: { boxes: { box: { name: 'Two' } } } })
    expect(new Set(state.sent).size).toBe(2)
  })

  it('takes nothing that cannot be kept, and says so', async () => {
    const { doors, state } = world({ full: true })
    const store = jobStore(initial, [], doors)
    store.start()
    await settled()
    store.send('edit a box', 'box', [rename('New', 1)])
    await settled()
    expect(store.snapshot()).toMatchObject({
      save: 'saved',
      record: { boxes: { box: { name: 'By the door' } } },
    })
    expect(store.snapshot().refusal?.[0]?.code).toBe('not-kept')
    expect(state.sent).toEqual([])
    state.full = false
    expect(store.send('edit a box', 'box', [rename('New', 1)])).toBe(true)
    await settled()
    expect(store.snapshot().refusal).toBeNull()
  })

  it('sends nothing before it is kept', async () => {
    const { doors, state } = world()
    const kept: (() => void)[] = []
    const store = jobStore(initial, [], { ...doors, keep: () => new Promise(resolve => kept.push(resolve)) })
    store.send('edit a box', 'box', [rename('New', 1)])
    await settled()
    expect(state.sent).toEqual([])
    expect(store.snapshot()).toMatchObject({ save: 'saving', record: { boxes: { box: { name: 'New' } } } })
    kept[0]!()
    await settled()
    expect(state.sent).toHaveLength(1)
    expect(store.snapshot().save).toBe('saved')
  })

  it('takes back at once what cannot be kept behind something that waits, and only that', async () => {
    const { doors, state, retry } = world({ down: true })
    const store = jobStore(initial, [], doors)
    store.send('edit a box', 'box', [rename('One', 1)])
    await settled()
    state.full = true
    store.send('edit a box', 'box', [rename('Two', 2)])
    await settled()
    expect(store.snapshot().record.boxes.box!.name).toBe('One')
    expect(store.snapshot().refusal?.[0]?.code).toBe('not-kept')
    state.down = state.full = false
    retry()
    await settled()
    expect(state.sent).toHaveLength(1)
    expect(store.snapshot()).toMatchObject({ save: 'saved', record: { boxes: { box: { name: 'One' } } } })
  })

  it('of two pages each keeps its own beside the other, and what one left behind the next takes up', async () => {
    const { doors, state, retry } = world({ down: true })
    const one = jobStore(initial, [], doors)
    const two = jobStore(initial, [], doors)
    one.start()
    two.start()
    one.send('edit a box', 'box', [rename('One', 1)])
    two.send('edit a box', 'box', [rename('Two', 1)])
    await settled()
    expect(state.kept).toHaveLength(2)
    state.waiting.length = 0
    state.down = false
    const next = jobStore(initial, [], doors, { keptAt: null, unsent: state.kept })
    next.start()
    await settled()
    await settled()
    expect(new Set(state.sent).size).toBe(2)
    expect(state.kept).toEqual([])
    // What was sent twice is done once.
    retry()
    await settled()
    expect(next.snapshot().save).toBe('saved')
  })

  it('is open at once where nothing was kept', async () => {
    const store = jobStore(initial, [], world().doors)
    store.start()
    store.start()
    await settled()
    expect(store.snapshot().save).toBe('saved')
  })
})
