import { describe, expect, it } from 'vitest'
import { trade } from '@/catalogue'
import { usualBox } from '@/demo/usual'
import { boxView } from '../job/box-view'
import type { Location, RegionId, RoomKind } from '../model/vocabulary'
import { checkPlace } from '.'

/** A box of a room of some kind, so near water. */
function near(location: Location, kind: RoomKind = 'wet', regionId: RegionId = 'north-america-120') {
  const { record } = usualBox()
  const rooms = Object.fromEntries(Object.entries(record.rooms).map(([id, room]) => [id, { ...room, kind }]))
  const box = { ...record.boxes['box']!, location }
  return boxView(
    { ...record, job: { ...record.job, regionId }, rooms, boxes: { ...record.boxes, box } },
    'box',
  )!
}
const line = (view: ReturnType<typeof near>, deviceId: string, rule: string) =>
  checkPlace(view, 'box-1', trade)
    .find(({ device }) => device.id === deviceId)!
    .lines.find(each => each.rule === rule)

describe('near water', () => {
  it.each<[Location, string, RegionId, string | undefined]>([
    ['not-said', 'switch-plain-15', 'north-america-120', 'not-known'],
    ['dry', 'switch-plain-15', 'north-america-120', undefined],
    ['damp', 'switch-plain-15', 'north-america-120', 'fits-if'],
    ['wet', 'switch-plain-15', 'north-america-120', 'fits-if'],
    ['wet', 'switch-weatherproof-15', 'north-america-120', 'fits'],
    ['within-shower', 'switch-plain-15', 'north-america-120', 'does-not-fit'],
    ['within-shower', 'switch-weatherproof-15', 'north-america-120', 'does-not-fit'],
    // Said in the words of the other region: nothing is known by it.
    ['zone-1', 'switch-plain-15', 'north-america-120', 'not-known'],
    ['wet', 'switch-230-10', 'europe-230', 'does-not-fit'],
    ['wet', 'switch-230-10-weatherproof', 'europe-230', 'fits'],
    ['zone-1', 'switch-230-10-weatherproof', 'europe-230', 'does-not-fit'],
    ['zone-1', 'switch-230-6-pull-cord', 'europe-230', 'fits'],
  ])('%s: %s in %s is %s', (location, deviceId, regionId, verdict) =>
    expect(line(near(location, 'wet', regionId), deviceId, 'location')?.verdict).toBe(verdict),
  )

  it('is asked in a bath and outside, and nowhere else', () => {
    const asked = (['wet', 'outside', 'living', 'kitchen', 'not-said'] as const).map(
      kind => line(near('not-said', kind), 'switch-plain-15', 'location')?.verdict ?? null,
    )
    expect(asked).toEqual(['not-known', 'not-known', null, null, null])
  })
})

describe('a passage', () => {
  it('is not left to one sensor that may not see both its ends', () => {
    const verdicts = (kind: RoomKind) =>
      ['sensor-neutral', 'switch-plain-15'].map(
        id => line(near('dry', kind), id, 'never-dark')?.verdict ?? null,
      )
    expect(verdicts('passage')).toEqual(['fits-if', null])
    expect(verdicts('living')).toEqual([null, null])
  })
})
