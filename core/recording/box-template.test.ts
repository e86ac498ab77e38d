import { BLANK } from '../model/blank-rows'
import { describe, expect, it } from 'vitest'
import { trade } from '@/catalogue'
import { usualBox } from '@/demo/usual'
import { surveyOf } from '../identify'
import { boxView, type BoxView } from '../job/box-view'
import { faultsOfRecord } from '../job/integrity'
import { raisedDefects } from '../check'
import { linesIn, linesToTell } from '../panel'
import { REGION_IDS, type RegionId } from '../model/vocabulary'
import { plainPen, written } from '@/testing/recording/plain-pen'
import { kindOf, templateEdits, templatesFor } from './box-template'

const empty = (region: RegionId, gangs = 1): BoxView => {
  const view = usualBox({ region, cables: [], proven: false })
  const record = {
    ...view.record,
    devices: {},
    boxes: { box: { ...view.box, gangs } },
    groups: Object.fromEntries(
      Array.from({ length: gangs }, (_, at) => [
        `g${at}`,
        {
          id: `g${at}`,
          name: `Light ${at}`,
          ...BLANK.groups,
        },
      ]),
    ),
    places: Object.fromEntries(
      Array.from({ length: gangs }, (_, at) => [
        `p${at}`,
        { id: `p${at}`, boxId: 'box', gang: at + 1, part: 1, groupId: `g${at}`, retired: false },
      ]),
    ),
    loads: {},
  }
  return boxView(record, 'box')!
}

const recorded = (view: BoxView, id: string): BoxView => {
  const template = templatesFor(view, trade).find(each => each.id === id)!
  const edits = templateEdits(plainPen(), view, trade, template, view.region.usualGauge)
  return boxView(written(view.record, edits), 'box')!
}

const all = REGION_IDS.flatMap(region =>
  [1, 2, 3].flatMap(gangs =>
    templatesFor(empty(region, gangs), trade).map(({ id }) => [region, gangs, id] as const),
  ),
)

describe('a box recorded from what is usually found', () => {
  it('offers places at the feed, by loop, ends, middles, and several gangs', () => {
    expect(all.length).toBeGreaterThanOrEqual(16)
    const ids = new Set(all.map(([, , id]) => id))
    for (const id of ['fed-here', 'loop', 'end-fed', 'end-light', 'end-alone', 'middle', 'gangs-fed-once'])
      expect(ids).toContain(id)
  })

  it.each(all)('%s, %d gangs, %s: hangs together, and nothing of it is loose', (region, gangs, id) => {
    const view = recorded(empty(region, gangs), id)
    expect(faultsOfRecord(view.record)).toEqual([])
    expect(view.ends.length).toBeGreaterThan(2)
    expect(view.ends.every(({ end }) => end.seat === 'terminal' || end.seat === 'joint')).toBe(true)
    expect(raisedDefects(view, trade).filter(({ ruleId }) => ruleId.startsWith('crowded'))).toEqual([])
    expect(new Set(view.ends.map(({ name }) => name)).size).toBe(view.ends.length)
    // Every screw that carries something is taken, by a conductor or from a joint.
    for (const { found } of view.places) {
      const model = trade.devices.find(each => each.id === found?.modelId)!
      for (const { id: terminal } of model.terminals)
        expect(
          view.ends.some(({ end }) => end.deviceId === found!.id && end.terminal === terminal) ||
            view.pigtails.some(each => each.deviceId === found!.id && each.terminal === terminal),
        ).toBe(true)
    }
    // What is one end of several places waits for the others, and nothing else is missing.
    const survey = surveyOf([view], trade)
    const missing = survey.ok ? [] : survey.faults.map(({ code }) => code)
    expect(missing).toEqual(id.startsWith('end-') || id === 'middle' ? ['place-missing'] : [])
  })

  it('what fits the switch that is there comes first, and another kind of switch is changed with it', () => {
    const view = recorded(empty('north-america-120'), 'end-fed')
    expect(kindOf(trade.devices.find(({ id }) => id === view.places[0]!.found!.modelId))).toBe('two-place')
    const bare = { ...view.record, cables: {}, conductors: {}, ends: {}, joints: {}, pigtails: {} }
    const again = boxView(bare, 'box')!
    expect(templatesFor(again, trade)[0]!.kind).toBe('two-place')
    const changed = recorded(again, 'middle')
    expect(kindOf(trade.devices.find(({ id }) => id === changed.places[0]!.found!.modelId))).toBe('middle')
    expect(Object.keys(changed.record.devices)).toHaveLength(1)
  })

  it('nothing is offered where the old device is no switch', () => {
    const view = usualBox({ cables: [], proven: false })
    const [id] = Object.keys(view.record.devices)
    const devices = { [id!]: { ...view.record.devices[id!]!, modelId: 'old-receptacle' } }
    expect(templatesFor(boxView({ ...view.record, devices }, 'box')!, trade)).toEqual([])
  })

  it('lines that meet in one box stay apart: no joint holds two neutrals, and each line can be hunted by itself', () => {
    for (const region of REGION_IDS)
      for (const gangs of [2, 3]) {
        const view = recorded(empty(region, gangs), 'two-lines')
        const lines = linesIn(view)
        expect(lines).toHaveLength(gangs)
        expect(linesToTell(view)).toHaveLength(gangs)
        for (const { hots, neutrals } of lines) {
          expect(hots).toHaveLength(1)
          // The neutral of the feed, and that of its light, in a joint of their own.
          expect(neutrals).toHaveLength(2)
        }
        const joints = view.joints.map(({ id }) => view.ends.filter(({ end }) => end.jointId === id))
        expect(joints.filter(ends => ends.every(({ end }) => end.role === 'neutral'))).toHaveLength(gangs)
      }
  })

  it('a shared neutral is one joint under two hots', () => {
    for (const region of REGION_IDS) {
      const view = recorded(empty(region, 2), 'shared-neutral')
      expect(linesIn(view)).toHaveLength(2)
      expect(
        new Set(view.ends.filter(({ end }) => end.role === 'neutral').map(({ end }) => end.jointId)).size,
      ).toBe(1)
    }
  })
})
