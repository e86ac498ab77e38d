import { describe, expect, it } from 'vitest'
import { trade } from '@/catalogue'
import { boxView } from '@/core/job/box-view'
import { rowsOf } from '@/core/model/record'
import { routeBox } from '@/core/route'
import { demoJobs } from '@/demo'
import { lot } from '@/testing/model/lot'
import { behindDevices, type Rect } from '@/testing/ui/drawn'
import { layoutBox, type BoxLayout } from './layout'
import { foundPicture, plannedPicture, type BoxPicture } from './picture'

/** Room for the drawing at 1280 by 800, by gangs: what is left beside the work, and under the stages. */
const ROOM = [580, 580, 685, 735] as const
const HIGH = 500
const LEAST_PIXELS = 12

const WORDS = ['line', 'neutral', 'ground', 'traveler', 'switched → Landing', 'loop return', 'spare'] as const
const TERMINALS = [
  'Black lead',
  'Green screw',
  'Second traveler screw',
  'Line',
  'Load, to the light',
] as const
const NAMES = ['Switch', 'Old three-way switch, one odd screw', 'Dimmer, LED 150 W, no neutral'] as const

/** A box that nobody would find: any number of gangs, cables, conductors, terminals and joints. */
function grown(seed: number): BoxPicture {
  const draw = lot(seed)
  const some = <Item>(items: readonly Item[]): Item => items[draw(items.length)]!
  const side = () => some(['left', 'right'] as const)
  const devices = Array.from({ length: 1 + draw(4) }, (_, gang) => ({
    id: `device-${gang}`,
    gang: gang + 1,
    part: 1,
    where: `gang ${gang + 1}`,
    name: some(NAMES),
    isNew: draw(2) === 0,
    terminals: Array.from({ length: 2 + draw(4) }, (__, at) => ({
      id: `terminal-${at}`,
      word: some(TERMINALS),
      joins: 'screw' as const,
      side: side(),
      capped: false,
    })),
  }))
  const joints = Array.from({ length: draw(5) }, (_, at) => ({
    id: `joint-${at}`,
    words: '',
    label: 'twist-on',
    side: side(),
    kind: 'twist-on' as const,
    bareShows: false,
  }))
  const free = devices.flatMap(({ id, terminals }) =>
    terminals.map(terminal => ({ kind: 'terminal' as const, deviceId: id, terminalId: terminal.id })),
  )
  const goal = () => {
    const kind = draw(8)
    if (kind < 3 && free.length > 0) return free.splice(draw(free.length), 1)[0]!
    if (kind < 7 && joints.length > 0) return { kind: 'joint' as const, jointId: some(joints).id }
    return { kind: 'cap' as const }
  }
  return {
    title: `grown ${seed}`,
    metal: false,
    joints,
    devices,
    short: [],
    cables: Array.from({ length: 1 + draw(devices.length + 2) }, (_, cable) => ({
      id: `cable-${cable}`,
      name: 'ABCDEFGH'[cable]!,
      goes: 'panel',
      entry: some(['top', 'bottom'] as const),
      cloth: false,
      strands: Array.from({ length: 2 + draw(3) }, (__, at) => ({
        id: `strand-${cable}-${at}`,
        says: '',
        insulation: 'black' as const,
        markedAs: null,
        faded: false,
        flag: draw(6) === 0 ? null : { words: some(WORDS), proof: 'proven' as const },
        to: goal(),
        changed: false,
      })),
    })),
  }
}

/** The tape of each flag as it is drawn. */
const flagsOf = (layout: BoxLayout): Rect[] =>
  layout.cables.flatMap(({ strands }) =>
    strands.flatMap(({ strand, flagAt, flagWidth, flagWay }) => {
      if (!strand.flag) return []
      const [a, b] = [flagAt.x - flagWay * 6, flagAt.x + flagWay * (flagWidth - 6)]
      const half = layout.measures.word * 0.7
      return [{ left: Math.min(a, b), right: Math.max(a, b), top: flagAt.y - half, foot: flagAt.y + half }]
    }),
  )

const overlap = (a: Rect, b: Rect) =>
  a.left < b.right - 0.5 && b.left < a.right - 0.5 && a.top < b.foot - 0.5 && b.top < a.foot - 0.5

function faultsOf(picture: BoxPicture): string[] {
  const layout = layoutBox(picture)
  const flags = flagsOf(layout)
  const covered = flags.some((flag, at) => flags.slice(at + 1).some(other => overlap(flag, other)))
  const devices = layout.devices.map(({ x, y, width, height }) => ({
    left: x,
    right: x + width,
    top: y,
    foot: y + height,
  }))
  const onDevice = flags.some(flag => devices.some(device => overlap(flag, device)))
  const out = flags.some(({ left, right }) => left < 0 || right > layout.width)
  const behind = layout.cables
    .flatMap(({ strands }) => strands)
    .filter(({ path }) => behindDevices(path, devices))
    .map(({ strand }) => strand.id)
  const room = ROOM[Math.min(Math.max(1, picture.devices.length), ROOM.length) - 1]!
  const pixels = layout.measures.word * Math.min(room / layout.width, HIGH / layout.height, 1.4)
  return [
    ...(covered ? ['a flag covers another'] : []),
    ...(onDevice ? ['a flag lies over a device'] : []),
    ...(out ? ['a flag hangs out of the drawing'] : []),
    ...behind.map(id => `${id} runs behind a device`),
    ...(pixels < LEAST_PIXELS ? [`words of ${pixels.toFixed(1)} px`] : []),
  ]
}

describe('the drawing of a box can be read', () => {
  const demo = demoJobs
    .map(({ build }) => build())
    .flatMap(record => rowsOf(record, 'boxes').flatMap(({ id }) => boxView(record, id) ?? []))
    .flatMap(view => {
      const routed = routeBox(view, trade)
      return [foundPicture(view, trade), ...(routed.ok ? [plannedPicture(view, routed.value)] : [])]
    })

  it('of every demo box, as found and as planned', () => {
    expect(demo.length).toBeGreaterThan(40)
    expect(demo.flatMap(picture => faultsOf(picture).map(fault => `${picture.title}: ${fault}`))).toEqual([])
  })

  it('of 300 boxes grown at random, of one to four gangs', () => {
    const faults = Array.from({ length: 300 }, (_, at) => grown(at + 1)).flatMap(picture =>
      faultsOf(picture).map(fault => `${picture.title}, ${picture.devices.length} gangs: ${fault}`),
    )
    expect(faults).toEqual([])
  })
})
