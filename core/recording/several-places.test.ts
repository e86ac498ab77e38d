import { describe, expect, it } from 'vitest'
import { trade } from '@/catalogue'
import { usualBox } from '@/demo/usual'
import { boxView } from '../job/box-view'
import { faultsOfRecord } from '../job/integrity'
import { tiedBoxes } from '../job/tied'
import { parseCircuit } from '../model/circuit'
import { emptyRecord, rowsOf, rowsWith, type JobRecord } from '../model/record'
import { regionOf } from '../model/regions'
import { deviceNamed } from '../model/trade'
import { REGION_IDS, type RegionId } from '../model/vocabulary'
import { prove } from '../prove'
import { foundCircuit } from '../route'
import { arrangementsOf, severalPlaces, type Arrangement } from '.'
import { plainPen, written } from '@/testing/recording/plain-pen'

const OLD: Readonly<Record<RegionId, readonly [end: string, middle: string]>> = {
  'north-america-120': ['old-two-place-switch', 'old-middle-switch'],
  'europe-230': ['old-two-place-230', 'old-middle-230'],
}

function started(regionId: RegionId, arrangement: Arrangement): { record: JobRecord; boxIds: string[] } {
  const empty = emptyRecord({
    id: 'job',
    name: 'House',
    address: '',
    owners: '',
    electrician: '',
    apprentice: '',
    regionId,
    backFeed: 'no',
    site: null,
    note: '',
  })
  const [end, middle] = OLD[regionId].map(id => deviceNamed(trade, id)!) as [never, never]
  const { edits, boxIds } = severalPlaces(plainPen(), empty, {
    arrangement,
    lightName: 'Stair light',
    places: Array.from({ length: arrangement.places }, (_, at) => ({
      kind: 'new' as const,
      roomName: at < 2 ? 'Stair' : 'Landing',
      floor: '',
      name: `Place ${at + 1}`,
    })),
    lamps: { kind: 'led', wattsEach: 9, count: 2 },
    gauge: regionOf(regionId).usualGauge,
    circuitId: null,
    switches: { end, middle },
  })
  expect(edits.length).toBeLessThanOrEqual(200)
  return { record: written(empty, edits), boxIds }
}

const named = ({ places, feedAt, lampAt }: Arrangement) =>
  `${places} places, fed at ${feedAt}, lamp ${lampAt.kind} ${lampAt.place}`

const ALL = REGION_IDS.flatMap(region => [2, 3, 4].flatMap(arrangementsOf).map(each => ({ region, each })))

describe('a light of several places, started whole', () => {
  it('every way to feed and hang it in a row of so many places is offered', () => {
    // Fed at each or at the lamp, the lamp at each; and between two neighbours, fed at each end or at the lamp.
    for (const places of [2, 3, 4]) {
      const all = arrangementsOf(places)
      const off = all.filter(({ lampAt }) => lampAt.kind === 'off')
      expect(off).toHaveLength(places * places + places)
      expect(new Set(all.map(named)).size).toBe(all.length)
      expect(all.filter(({ lampAt }) => lampAt.kind === 'between').length).toBeGreaterThan(places - 1)
    }
  })

  it.each(ALL)('$region: works and proves as it is recorded', ({ region, each }) => {
    const { record, boxIds } = started(region, each)
    expect(faultsOfRecord(record), named(each)).toEqual([])
    expect(rowsOf(record, 'rooms').map(({ name }) => name)).toEqual(
      each.places > 2 ? ['Stair', 'Landing'] : ['Stair'],
    )
    const views = tiedBoxes(record, boxIds[0]!)
    expect(views.map(({ box }) => box.id).sort(), named(each)).toEqual([...boxIds].sort())
    const circuit = foundCircuit(views, trade)
    if (!circuit.ok) throw new Error(`${named(each)}: ${JSON.stringify(circuit.faults)}`)
    const parsed = parseCircuit(circuit.value)
    if (!parsed.ok) throw new Error(`${named(each)}: ${JSON.stringify(parsed.faults)}`)
    const proof = prove(parsed.value)
    expect(proof.kind === 'refuted' ? proof.counterexamples[0] : proof.kind, named(each)).toBe('proven')
  })

  it.each(ALL)('$region: nothing hangs loose, and no screw holds two', ({ region, each }) => {
    const { record } = started(region, each)
    const onScrews = rowsOf(record, 'ends').flatMap(({ deviceId, terminal }) =>
      deviceId === null ? [] : [`${deviceId} ${terminal}`],
    )
    const byPigtail = rowsOf(record, 'pigtails').map(({ deviceId, terminal }) => `${deviceId} ${terminal}`)
    const screws = [...onScrews, ...byPigtail]
    expect(new Set(screws).size, named(each)).toBe(screws.length)
    // Every screw of every old switch has its wire.
    const wanted = rowsOf(record, 'devices').flatMap(({ id, modelId }) =>
      deviceNamed(trade, modelId)!.terminals.map(terminal => `${id} ${terminal.id}`),
    )
    expect(screws.sort(), named(each)).toEqual(wanted.sort())
    expect(rowsOf(record, 'ends').filter(({ seat }) => seat === 'loose')).toEqual([])
    for (const joint of rowsOf(record, 'joints'))
      expect(
        rowsWith(record, 'ends', 'jointId', joint.id).length +
          rowsWith(record, 'pigtails', 'jointId', joint.id).length,
      ).toBeGreaterThan(1)
  })

  it('a place that is recorded already is one of them: its light, its lamps and its name stay', () => {
    for (const arrangement of arrangementsOf(3))
      for (const at of [0, 1, 2]) {
        const view = usualBox({ cables: [], proven: false })
        const [place] = view.places
        const [end, middle] = OLD['north-america-120'].map(id => deviceNamed(trade, id)!) as [never, never]
        const { edits, boxIds, groupId } = severalPlaces(plainPen(), view.record, {
          arrangement,
          lightName: 'Another name',
          places: [0, 1, 2].map(index =>
            index === at
              ? ({ kind: 'recorded', placeId: place!.place.id } as const)
              : ({ kind: 'new', roomName: view.room.name, floor: '', name: `Place ${index}` } as const),
          ),
          lamps: null,
          gauge: '14 AWG',
          circuitId: view.feeds[0]!.circuit.id,
          switches: { end, middle },
        })
        const record = written(view.record, edits)
        expect(faultsOfRecord(record)).toEqual([])
        expect(groupId).toBe(place!.group.id)
        expect(record.groups[groupId]).toEqual(place!.group)
        expect(rowsWith(record, 'loads', 'groupId', groupId)).toEqual(place!.loads)
        expect(rowsWith(record, 'places', 'groupId', groupId)).toHaveLength(3)
        expect(boxIds).toContain(view.box.id)
        const circuit = foundCircuit(tiedBoxes(record, view.box.id), trade)
        const proof = circuit.ok ? prove(circuit.value) : null
        expect(proof?.kind, named(arrangement)).toBe('proven')
      }
  })

  it('nothing of it is proven: roles are what it is taken for', () => {
    const { record, boxIds } = started('north-america-120', arrangementsOf(3)[0]!)
    for (const boxId of boxIds)
      for (const { end } of boxView(record, boxId)!.ends) expect(end.role).not.toBeNull()
    expect(rowsOf(record, 'findings')).toEqual([])
    expect(rowsOf(record, 'readings')).toEqual([])
  })
})
