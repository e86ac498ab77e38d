import { goalsOf, type DrawnDevice, type DrawnJoint, type Edges, type Goals, type Point } from './goals'
import { drawStrand, FLAG_STEP, shortPath, type DrawnStrand, type Flag } from './paths'
import type { BoxPicture, PictureCable, PictureDevice, PictureJoint, PictureStrand } from './picture'

export interface DrawnCable {
  readonly cable: PictureCable
  readonly x: number
  readonly width: number
  readonly top: boolean
  readonly strands: readonly DrawnStrand[]
}

export interface BoxLayout {
  readonly width: number
  readonly height: number
  readonly box: { readonly x: number; readonly y: number; readonly width: number; readonly height: number }
  readonly cables: readonly DrawnCable[]
  readonly devices: readonly DrawnDevice[]
  /** Round what shares a gang: its strap or plate. */
  readonly plates: readonly {
    readonly x: number
    readonly y: number
    readonly width: number
    readonly height: number
  }[]
  readonly joints: readonly DrawnJoint[]
  readonly short: readonly { readonly id: string; readonly path: string }[]
  readonly bond: Point
}

/** Between neighbouring strands; less where many come in on one side. */
const LANE = 40
const NARROW_LANE = 30
const MANY_STRANDS = 5
const MANY_PASSING = 4
const OUTSIDE = 46
const DEVICE_WIDTH = 142
const DEVICE_GAP = 52
const TERMINAL_STEP = 24
/** Between terminals whose words take two lines. */
const WORDY_STEP = 32
/** Letters of a terminal’s word in one line. */
export const WORD_LETTERS = 20
const JOINT_WIDTH = 58
const JOINT_STEP = 68
/** From the foot of the devices to the middle of the joints below them. */
const JOINT_DROP = 62
const MARGIN = 8

/**
 * Places everything of a picture: cables above and below, devices in the middle, joints in a row under
 * them. Narrow enough for a phone held upright with one gang. Room for flags is made where they hang.
 */
export function layoutBox(picture: BoxPicture): BoxLayout {
  const first = arranged(picture, { top: 1, bottom: 1 })
  const rows = { top: flagRows(first, true), bottom: flagRows(first, false) }
  return rows.top === 1 && rows.bottom === 1 ? first : arranged(picture, rows)
}

interface Rows {
  readonly top: number
  readonly bottom: number
}

/** From the wall of the box to where strands turn towards their goals. */
const fanOf = (rows: number) => 52 + rows * FLAG_STEP

function flagRows(layout: BoxLayout, top: boolean): number {
  const strands = layout.cables.filter(cable => cable.top === top).flatMap(cable => cable.strands)
  return Math.max(1, ...strands.map(strand => strand.flagRow + 1))
}

function arranged(picture: BoxPicture, rows: Rows): BoxLayout {
  const top = picture.cables.filter(cable => cable.entry === 'top')
  const bottom = picture.cables.filter(cable => cable.entry === 'bottom')
  const gangs = Math.max(1, picture.devices.length)
  const devicesWidth = gangs * DEVICE_WIDTH + (gangs - 1) * DEVICE_GAP
  const passing = passingLanes(picture, top)
  const most = Math.max(count(top), count(bottom))
  const lane = most > MANY_STRANDS || passing.left + passing.right > MANY_PASSING ? NARROW_LANE : LANE
  const sides = { left: 26 + passing.left * lane, right: 26 + passing.right * lane }
  const inside = Math.max(
    sides.left + devicesWidth + sides.right,
    most * lane + 40,
    picture.joints.length * JOINT_STEP + 24,
    342,
  )
  const box = {
    x: MARGIN,
    y: OUTSIDE,
    width: inside,
    height: 0,
  }
  const deviceHeight = Math.max(96, ...picture.devices.map(heightOf))
  const deviceTop = box.y + (top.length > 0 ? fanOf(rows.top) : 28) + 12
  const deviceFoot = deviceTop + deviceHeight
  const jointY = deviceFoot + JOINT_DROP
  const middleFoot = picture.joints.length > 0 ? jointY + 44 : deviceFoot + 20
  const height = middleFoot + (bottom.length > 0 ? fanOf(rows.bottom) : 24) - box.y
  const spare = inside - sides.left - devicesWidth - sides.right
  const devicesLeft = box.x + sides.left + spare / 2
  const devices = placeDevices(picture, devicesLeft, deviceTop, deviceHeight)
  const edges = { top: box.y, bottom: box.y + height, left: box.x, right: box.x + box.width, lane }
  const joints = placeJoints(picture.joints, devicesLeft, devicesWidth, jointY, edges)
  const goals = goalsOf(devices, joints, {
    left: devicesLeft,
    right: devicesLeft + devicesWidth,
    top: deviceTop,
    foot: deviceFoot,
  })
  const cables = [
    ...placeCables(top, true, rows.top, edges, goals),
    ...placeCables(bottom, false, rows.bottom, edges, goals),
  ]
  const bond = { x: edges.right - 24, y: edges.bottom - 24 }
  return {
    width: inside + 2 * MARGIN,
    height: edges.bottom + OUTSIDE,
    box: { ...box, height },
    cables,
    devices,
    plates: platesOf(devices),
    joints,
    bond,
    short: picture.short.map(wire => ({ id: wire.id, path: shortPath(wire, goals, bond) })),
  }
}

const count = (cables: readonly PictureCable[]) =>
  cables.reduce((sum, cable) => sum + Math.max(cable.strands.length, 2), 0)

/** Strands from above that run down beside the devices, on either side. */
function passingLanes(picture: BoxPicture, top: readonly PictureCable[]): { left: number; right: number } {
  const sideOf = (strand: PictureStrand): 'left' | 'right' => {
    const { to } = strand
    if (to.kind === 'joint') return picture.joints.find(joint => joint.id === to.jointId)?.side ?? 'right'
    if (to.kind !== 'terminal') return 'right'
    const device = picture.devices.find(each => each.id === to.deviceId)
    return device?.terminals.find(terminal => terminal.id === to.terminalId)?.side ?? 'left'
  }
  const sides = top.flatMap(cable => cable.strands.map(sideOf))
  return {
    left: Math.max(1, sides.filter(side => side === 'left').length),
    right: Math.max(1, sides.filter(side => side === 'right').length),
  }
}

/** In a row under the devices, each as near to the side it serves as its neighbours allow. */
function placeJoints(
  joints: readonly PictureJoint[],
  left: number,
  width: number,
  y: number,
  edges: Edges,
): DrawnJoint[] {
  const ordered = [
    ...joints.filter(joint => joint.side === 'left'),
    ...joints.filter(joint => joint.side === 'right'),
  ]
  const rightCount = joints.filter(joint => joint.side === 'right').length
  const wishes = ordered.map((joint, at) =>
    joint.side === 'left'
      ? left + at * JOINT_STEP
      : left + width + (at - (ordered.length - rightCount) - (rightCount - 1) * 0.6) * JOINT_STEP,
  )
  const half = JOINT_WIDTH / 2 + 8
  const xs = spread(wishes, edges.left + half, edges.right - half, JOINT_STEP)
  return ordered.map((joint, at) => ({ joint, width: JOINT_WIDTH, at: { x: xs[at]!, y } }))
}

const stepOf = ({ terminals }: PictureDevice): number =>
  terminals.some(({ word }) => wrapped(word, WORD_LETTERS).length > 1) ? WORDY_STEP : TERMINAL_STEP

const heightOf = (device: PictureDevice) => 48 + device.terminals.length * stepOf(device) + 4

function placeDevices(picture: BoxPicture, left: number, y: number, height: number): DrawnDevice[] {
  const all = [...picture.devices].sort((a, b) => a.gang - b.gang || a.part - b.part)
  return all.map((device, index) => {
    const x = left + index * (DEVICE_WIDTH + DEVICE_GAP)
    return {
      device,
      x,
      y,
      width: DEVICE_WIDTH,
      height,
      lines: wrapped(device.name, 20),
      terminals: device.terminals.map((terminal, at) => ({
        terminal,
        at: {
          x: terminal.side === 'left' ? x : x + DEVICE_WIDTH,
          y: y + 56 + at * stepOf(device),
        },
      })),
    }
  })
}

const PLATE_EDGE = 10

function platesOf(devices: readonly DrawnDevice[]): BoxLayout['plates'] {
  const gangs = [...new Set(devices.map(({ device }) => device.gang))]
  return gangs.flatMap(gang => {
    const own = devices.filter(({ device }) => device.gang === gang)
    const [first] = own
    const last = own.at(-1)!
    if (!first || own.length < 2) return []
    return [
      {
        x: first.x - PLATE_EDGE,
        y: first.y - PLATE_EDGE,
        width: last.x + last.width - first.x + 2 * PLATE_EDGE,
        height: first.height + 2 * PLATE_EDGE,
      },
    ]
  })
}

/** At most two lines; what does not fit ends in an ellipsis and stands whole in the part’s name. */
export function wrapped(text: string, most: number): string[] {
  const lines: string[] = ['']
  for (const word of text.split(' ')) {
    const last = lines.at(-1)!
    if (last === '') lines[lines.length - 1] = word
    else if (last.length + 1 + word.length <= most) lines[lines.length - 1] = `${last} ${word}`
    else lines.push(word)
  }
  if (lines.length <= 2) return lines
  return [lines[0]!, `${lines[1]!.slice(0, most - 1)}…`]
}

/** Where a strand would like to run: beside the devices from above, straight up from below. */
function wishedX(strand: PictureStrand, top: boolean, goals: Goals, fallback: number): number {
  if (strand.to.kind === 'joint') {
    const joint = goals.joint(strand.to.jointId)
    if (!joint) return fallback
    if (!top) return joint.at.x
    return joint.joint.side === 'left'
      ? Math.min(joint.at.x, goals.devices.left - 30)
      : Math.max(joint.at.x, goals.devices.right + 30)
  }
  if (strand.to.kind !== 'terminal') return fallback
  const found = goals.terminal(strand.to.deviceId, strand.to.terminalId)
  if (!found) return fallback
  return found.at.x + (found.terminal.side === 'left' ? -34 : 34)
}

/** Cables in the order of what they lead to, each strand as near to its goal as its neighbours allow. */
function placeCables(
  cables: readonly PictureCable[],
  top: boolean,
  rows: number,
  edges: Edges,
  goals: Goals,
): DrawnCable[] {
  const centre = (edges.left + edges.right) / 2
  const wish = (strand: PictureStrand) => wishedX(strand, top, goals, centre)
  const sorted = cables
    .map(cable => {
      const strands = [...cable.strands].sort((a, b) => wish(a) - wish(b) || (a.id < b.id ? -1 : 1))
      const mean = strands.reduce((sum, each) => sum + wish(each), 0) / (strands.length || 1)
      return { cable, strands, mean }
    })
    .sort((a, b) => a.mean - b.mean || (a.cable.name < b.cable.name ? -1 : 1))
  const lanes = spread(
    sorted.flatMap(each => each.strands.map(wish)),
    edges.left + 22,
    edges.right - 22,
    edges.lane,
  )
  let next = 0
  const means = sorted.map(({ strands }) => {
    const own = lanes.slice(next, next + strands.length)
    next += strands.length
    return own
  })
  const xs = spread(
    means.map((own, index) =>
      own.length > 0 ? own.reduce((sum, x) => sum + x, 0) / own.length : centre + index,
    ),
    edges.left + 40,
    edges.right - 40,
    sorted.length > 1 ? Math.min(118, (edges.right - edges.left - 80) / (sorted.length - 1)) : LANE,
  )
  const flags = hangFlags(
    sorted.flatMap((each, index) => each.strands.map((strand, at) => ({ strand, x: means[index]![at]! }))),
    edges,
  )
  return sorted.map(({ cable, strands }, index) => ({
    cable,
    x: xs[index]!,
    width: 18 + strands.length * 6,
    top,
    strands: strands.map((strand, at) =>
      drawStrand(
        strand,
        xs[index]!,
        means[index]![at]!,
        flags.get(strand.id)!,
        top,
        fanOf(rows),
        edges,
        goals,
      ),
    ),
  }))
}

/** Each flag in the first row where it covers no other; towards the middle where the wall is near. */
function hangFlags(
  strands: readonly { readonly strand: PictureStrand; readonly x: number }[],
  edges: Edges,
): ReadonlyMap<string, Flag> {
  const taken: (readonly [from: number, to: number])[][] = []
  const flags = new Map<string, Flag>()
  for (const { strand, x } of strands) {
    const width = (strand.flag?.words.length ?? 0) * 6.9 + 14
    const way = x + width > edges.right ? -1 : 1
    const from = way === 1 ? x - 8 : x + 8 - width
    const span = [from, from + width + 2] as const
    let row = 0
    while (taken[row]?.some(([start, end]) => span[0] < end && start < span[1])) row++
    taken[row] = [...(taken[row] ?? []), span]
    flags.set(strand.id, { row, width, way })
  }
  return flags
}

/** Numbers in their order, moved as little as keeps them `gap` apart and within the two ends. */
export function spread(wished: readonly number[], least: number, most: number, gap = LANE): number[] {
  const step = Math.min(gap, wished.length > 1 ? (most - least) / (wished.length - 1) : gap)
  const placed: number[] = []
  for (const wish of wished) placed.push(Math.max(wish, (placed.at(-1) ?? least - step) + step))
  for (let at = placed.length - 1, limit = most; at >= 0; at--, limit -= step)
    placed[at] = Math.min(placed[at]!, limit, at < placed.length - 1 ? placed[at + 1]! - step : Infinity)
  return placed
}
