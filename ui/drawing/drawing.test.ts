import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { trade } from '@/catalogue'
import { boxView } from '@/core/job/box-view'
import { routeBox } from '@/core/route'
import { quillbackRoad } from '@/demo/quillback'
import { saltpanQuay } from '@/demo/saltpan'
import { switchLoop, usualBox } from '@/demo/usual'
import { layoutBox, spread, wrapped } from './layout'
import { foundPicture, plannedPicture } from './picture'

const views = [quillbackRoad(), saltpanQuay()].flatMap(record =>
  Object.keys(record.boxes).map(id => boxView(record, id)!),
)
const pictures = views.flatMap(view => {
  const routed = routeBox(view, trade)
  return [foundPicture(view, trade), ...(routed.ok ? [plannedPicture(view, routed.value)] : [])]
})

describe('spread', () => {
  it('keeps order, distance and ends (seed 5)', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: -500, max: 900 }), { minLength: 1, maxLength: 9 }), wished => {
        const sorted = [...wished].sort((a, b) => a - b)
        const placed = spread(sorted, 20, 420, 40)
        placed.forEach((x, at) => {
          expect(x).toBeGreaterThanOrEqual(20 - 1e-9)
          expect(x).toBeLessThanOrEqual(420 + 1e-9)
          if (at > 0) expect(x - placed[at - 1]!).toBeGreaterThanOrEqual(40 - 1e-9)
        })
      }),
      { seed: 5 },
    )
  })
})

describe('joints as they will be', () => {
  it('one that nobody opens is drawn as it was found, one that is made as it is planned', () => {
    const record = quillbackRoad()
    const planned = (choices: typeof record.choices) => {
      const view = boxView({ ...record, choices }, 'box-island')!
      const routed = routeBox(view, trade)
      if (!routed.ok) throw new Error(routed.faults[0]!.message)
      return new Map(
        plannedPicture(view, routed.value).joints.map(({ id, kind, words }) => [id, { kind, words }]),
      )
    }
    const stays = planned({})
    expect(stays.get('joint-ground')).toEqual({
      kind: 'twist-on',
      words: expect.stringContaining('8 wires'),
    })
    expect([...stays.values()].every(({ kind }) => kind === 'twist-on')).toBe(true)
    const choice = { id: 'c', placeId: 'box-island-3', modelId: 'switch-plain-15' }
    const changed = planned({ c: choice })
    // Its ground pigtail is a new one; the neutrals and the other circuit’s feed stay as they are.
    expect(changed.get('joint-ground')).toMatchObject({ kind: 'lever' })
    expect(changed.get('joint-neutral:circuit-5')).toMatchObject({ kind: 'twist-on' })
    expect(changed.get('joint-line:circuit-1')).toMatchObject({ kind: 'twist-on' })
  })
})

describe('the drawing of every demo box, found and planned', () => {
  it.each(pictures.map(picture => [picture.title, picture] as const))('%s', (_, picture) => {
    const layout = layoutBox(picture)
    const inBox = (x: number, y: number) => {
      expect(x).toBeGreaterThanOrEqual(layout.box.x - 1)
      expect(x).toBeLessThanOrEqual(layout.box.x + layout.box.width + 1)
      expect(y).toBeGreaterThanOrEqual(layout.box.y - 1)
      expect(y).toBeLessThanOrEqual(layout.box.y + layout.box.height + 1)
    }
    const strands = layout.cables.flatMap(cable => cable.strands)
    expect(strands).toHaveLength(picture.cables.flatMap(cable => cable.strands).length)
    for (const strand of strands) inBox(strand.tip.x, strand.tip.y)
    for (const joint of layout.joints) inBox(joint.at.x, joint.at.y)
    for (const device of layout.devices) {
      inBox(device.x, device.y)
      inBox(device.x + device.width, device.y + device.height)
    }
    for (const short of layout.short) expect(short.path).not.toBe('')
    const joints = [...layout.joints].sort((a, b) => a.at.x - b.at.x)
    joints
      .slice(1)
      .forEach((joint, at) => expect(joint.at.x - joints[at]!.at.x).toBeGreaterThanOrEqual(joint.width - 1))
    for (const top of [true, false]) {
      const lanes = layout.cables
        .filter(cable => cable.top === top)
        .flatMap(cable => cable.strands.map(each => each.flagAt.x))
      lanes
        .slice(1)
        .forEach((x, at) => expect(x - lanes[at]!).toBeGreaterThanOrEqual(layout.measures.lane - 1))
    }
    // One gang stands upright on a phone, a unit a pixel or hardly less.
    if (picture.devices.length <= 1) expect(layout.width).toBeLessThanOrEqual(400)
  })

  it('draws one plate round what shares a gang, and none round what does not', () => {
    const view = usualBox()
    const [place] = view.places
    const shared = (gang: number, part: number) => ({
      ...view,
      places: [
        place!,
        {
          ...place!,
          place: { ...place!.place, id: 'other', gang, part },
          found: { ...place!.found!, id: 'other-old', placeId: 'other' },
        },
      ],
    })
    const layoutOf = (given: typeof view) => layoutBox(foundPicture(given, trade))
    expect(layoutOf(view).plates).toEqual([])
    expect(layoutOf(shared(2, 1)).plates).toEqual([])
    const { plates, devices } = layoutOf(shared(1, 2))
    expect(plates).toHaveLength(1)
    for (const { x, y, width, height } of devices) {
      expect(plates[0]!.x).toBeLessThan(x)
      expect(plates[0]!.y).toBeLessThan(y)
      expect(plates[0]!.x + plates[0]!.width).toBeGreaterThan(x + width)
      expect(plates[0]!.y + plates[0]!.height).toBeGreaterThan(y + height)
    }
  })

  it('names every strand for who cannot see it', () => {
    const strand = foundPicture(usualBox(), trade).cables[0]!.strands[0]!
    expect(strand.says).toBe('Cable A, black, 14 AWG solid, on “Upper dark screw”. Line, proven')
  })

  it('an assumed role hangs a dotted flag, a proven one a filled one', () => {
    const flags = (proven: boolean) =>
      foundPicture(usualBox({ proven, cables: switchLoop(true) }), trade).cables[0]!.strands.map(
        each => each.flag,
      )
    expect(flags(false)).toContainEqual({ words: 'loop feed', proof: 'assumed' })
    expect(flags(true)).toContainEqual({ words: 'loop feed', proof: 'proven' })
  })

  it('a long name is cut to two lines', () => {
    expect(wrapped('Dimmer, LED 150 W, no neutral, with companion terminal', 20)).toHaveLength(2)
  })
})

describe('roles of a whole run', () => {
  it('are told at each end with the box they lead to', () => {
    const record = quillbackRoad()
    const ends = Object.fromEntries(
      Object.entries(record.ends).map(([id, end]) => [
        id,
        id.startsWith('box-stair-bottom-b-red-1') ? { ...end, role: 'onward-feed' as const } : end,
      ]),
    )
    const changed = { ...record, ends }
    const flagOf = (boxId: string, endId: string) =>
      foundPicture(boxView(changed, boxId)!, trade)
        .cables.flatMap(cable => cable.strands)
        .find(strand => strand.id === endId)!.flag!.words
    expect(flagOf('box-stair-bottom', 'box-stair-bottom-b-red-1-end')).toBe('onward → Landing')
    expect(flagOf('box-stair-middle', 'box-stair-bottom-b-red-1-far')).toBe('onward → Bottom')
    expect(flagOf('box-stair-bottom', 'box-stair-bottom-b-black-2-end')).toBe('traveler')
  })

  it('a cable says where it goes, from either of its boxes', () => {
    const record = quillbackRoad()
    const goes = (boxId: string) =>
      foundPicture(boxView(record, boxId)!, trade).cables.map(cable => `${cable.name} ${cable.goes}`)
    expect(goes('box-stair-middle')).toEqual(['C Top', 'B Bottom'])
  })
})
