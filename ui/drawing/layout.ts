import { goalsOf, type DrawnDevice, type DrawnJoint, type Edges, type Goals, type Point } from './goals'
import {
  cableStep,
  deskWord,
  deviceHead,
  flagStep,
  flagWidth,
  outsideOf,
  nameWidth,
  jointStep,
  jointWidth,
  legible,
  nameLetters,
  terminalLetters,
  terminalStep,
  measuresFor,
  type Measures,
} from './measures'
import { drawStrand, shortPath, type DrawnStrand, type Flag } from './paths'
import type { BoxPicture, PictureCable, PictureDevice, PictureJoint, PictureStrand } from './picture'

export interface DrawnCable {
  readonly cable: PictureCable
  readonly x: number
  readonly width: number
  readonly top: boolean
  readonly strands: readonly DrawnStrand[]
}

export interface BoxLayout {
  readonly measures: Measures
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

/** From so many on strands come closer: on one side of the box, or beside its devices. */
const MANY_STRANDS = 5
const MANY_PASSING = 4
/** The narrowest box that there is. */
const LEAST_WIDTH = 342
/** From the foot of the devices to the middle of the joints below them. */
const JOINT_DROP = 62
const MARGIN = 8

/** Words that grow need room, which makes them smaller again: after so many tries they are as large as they get. */
const TRIES = 9

/**
 * Places everything of a picture: cables above and below, devices in the middle, joints in a row under
 * them. Narrow enough for a phone held upright with one gang; words large enough for a desk with four. Room for flags is
 * made where they hang.
 */
export function layoutBox(picture: BoxPicture): BoxLayout {
  const gangs = Math.max(1, picture.devices.length)
  const layouts = measuresFor(gangs, isCrowded(picture)).map(each => readable(picture, each, gangs))
  const worth = (layout: BoxLayout) => deskWord(layout.measures, gangs, layout) - cutWords(layout) * CUT
  return layouts.reduce((best, each) => (worth(each) > worth(best) + NO_MATTER ? each : best))
}

/** The same beside others, all in one measure: words are as large as the whole drawing lets them be. */
export const layoutInGroup = (picture: BoxPicture): BoxLayout =>
  withFlags(picture, measuresFor(Math.max(1, picture.devices.length), isCrowded(picture))[0]!)

/** A name that is cut short weighs as much as so many pixels of all words. */
const CUT = 0.15
const NO_MATTER = 0.05

function readable(picture: BoxPicture, given: Measures, gangs: number): BoxLayout {
  let measures = given
  let layout = withFlags(picture, measures)
  for (let tries = 0; tries < TRIES; tries++) {
    const larger = legible(measures, gangs, layout)
    if (!larger) break
    measures = larger
    layout = withFlags(picture, measures)
  }
  return layout
}

const cutWords = ({ devices }: BoxLayout): number =>
  devices
    .flatMap(({ lines, terminals }) => [lines, ...terminals.map(terminal => terminal.lines)])
    .filter(lines => lines.at(-1)!.endsWith('…')).length

function withFlags(picture: BoxPicture, measures: Measures): BoxLayout {
  const first = arranged(picture, measures, { top: 1, bottom: 1 })
  const rows = { top: flagRows(first, true), bottom: flagRows(first, false) }
  return rows.top === 1 && rows.bottom === 1 ? first : arranged(picture, measures, rows)
}

/** Whether many come in on one side, or pass the devices. */
function isCrowded(picture: BoxPicture): boolean {
  const on = (entry: PictureCable['entry']) => picture.cables.filter(cable => cable.entry === entry)
  const passing = passingLanes(picture, on('top'))
  return (
    Math.max(count(on('top')), count(on('bottom'))) > MANY_STRANDS ||
    passing.left + passing.right > MANY_PASSING
  )
}

interface Rows {
  readonly top: number
  readonly bottom: number
}

/** From the wall of the box to where strands turn towards their goals. */
const fanOf = (rows: number, measures: Measures) => 52 + rows * flagStep(measures)

function flagRows(layout: BoxLayout, top: boolean): number {
  const strands = layout.cables.filter(cable => cable.top === top).flatMap(cable => cable.strands)
  return Math.max(1, ...strands.map(strand => strand.flagRow + 1))
}

function arranged(picture: BoxPicture, measures: Measures, rows: Rows): BoxLayout {
  const { lane, gap, device: deviceWidth } = measures
  const top = picture.cables.filter(cable => cable.entry === 'top')
  const bottom = picture.cables.filter(cable => cable.entry === 'bottom')
  const gangs = Math.max(1, picture.devices.length)
  const devicesWidth = gangs * deviceWidth + (gangs - 1) * gap
  const passing = passingLanes(picture, top)
  const most = Math.max(count(top), count(bottom))
  const sides = { left: 26 + passing.left * lane, right: 26 + passing.right * lane }
  const inside = Math.max(
    sides.left + devicesWidth + sides.right,
    most * lane + 40,
    picture.joints.length * jointStep(measures) + 24,
    2 * widestFlag(picture, measures) + 20,
    LEAST_WIDTH,
  )
  const box = {
    x: MARGIN,
    y: outsideOf(measures),
    width: inside,
    height: 0,
  }
  const deviceHeight = Math.max(96, ...picture.devices.map(each => heightOf(each, measures)))
  const deviceTop = box.y + (top.length > 0 ? fanOf(rows.top, measures) : 28) + 12
  const deviceFoot = deviceTop + deviceHeight
  const jointY = deviceFoot + JOINT_DROP
  const middleFoot = picture.joints.length > 0 ? jointY + 44 : deviceFoot + 20
  const height = middleFoot + (bottom.length > 0 ? fanOf(rows.bottom, measures) : 24) - box.y
  const spare = inside - sides.left - devicesWidth - sides.right
  const devicesLeft = box.x + sides.left + spare / 2
  const devices = placeDevices(picture, measures, devicesLeft, deviceTop, deviceHeight)
  const edges = { top: box.y, bottom: box.y + height, left: box.x, right: box.x + box.width, lane }
  const joints = placeJoints(picture.joints, measures, devicesLeft, devicesWidth, jointY, edges)
  const goals = goalsOf(devices, joints, {
    left: devicesLeft,
    right: devicesLeft + devicesWidth,
    top: deviceTop,
    foot: deviceFoot,
  })
  const cables = [
    ...placeCables(top, true, rows.top, measures, edges, goals),
    ...placeCables(bottom, false, rows.bottom, measures, edges, goals),
  ]
  const bond = { x: edges.right - 24, y: edges.bottom - 24 }
  return {
    measures,
    width: inside + 2 * MARGIN,
    height: edges.bottom + outsideOf(measures),
    box: { ...box, height },
    cables,
    devices,
    plates: platesOf(devices),
    joints,
    bond,
    short: picture.short.map(wire => ({ id: wire.id, path: shortPath(wire, goals, bond) })),
  }
}

const widestFlag = ({ cables }: BoxPicture, measures: Measures) =>
  Math.max(
    0,
    ...cables.flatMap(({ strands }) => strands.map(({ flag }) => flagWidth(measures, flag?.words ?? ''))),
  )

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
  measures: Measures,
  left: number,
  width: number,
  y: number,
  edges: Edges,
): DrawnJoint[] {
  const [own, step] = [jointWidth(measures), jointStep(measures)]
  const ordered = [
    ...joints.filter(joint => joint.side === 'left'),
    ...joints.filter(joint => joint.side === 'right'),
  ]
  const rightCount = joints.filter(joint => joint.side === 'right').length
  const wishes = ordered.map((joint, at) =>
    joint.side === 'left'
      ? left + at * step
      : left + width + (at - (ordered.length - rightCount) - (rightCount - 1) * 0.6) * step,
  )
  const half = own / 2 + 8
  const xs = spread(wishes, edges.left + half, edges.right - half, step)
  return ordered.map((joint, at) => ({ joint, width: own, at: { x: xs[at]!, y } }))
}

const stepOf = ({ terminals }: PictureDevice, measures: Measures): number =>
  terminalStep(
    measures,
    Math.max(1, ...terminals.map(({ word }) => wrapped(word, terminalLetters(measures)).length)),
  )

const heightOf = (device: PictureDevice, measures: Measures) =>
  deviceHead(measures) + device.terminals.length * stepOf(device, measures) - 4

function placeDevices(
  picture: BoxPicture,
  measures: Measures,
  left: number,
  y: number,
  height: number,
): DrawnDevice[] {
  const all = [...picture.devices].sort((a, b) => a.gang - b.gang || a.part - b.part)
  return all.map((device, index) => {
    const x = left + index * (measures.device + measures.gap)
    return {
      device,
      x,
      y,
      width: measures.device,
      height,
      lines: wrapped(device.name, nameLetters(measures)),
      terminals: device.terminals.map((terminal, at) => ({
        terminal,
        lines: wrapped(terminal.word, terminalLetters(measures)),
        at: {
          x: terminal.side === 'left' ? x : x + measures.device,
          y: y + deviceHead(measures) + at * stepOf(device, measures),
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
  measures: Measures,
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
  const halfName = (at?: { readonly cable: PictureCable }) =>
    at ? nameWidth(measures, nameOf(at.cable)) / 2 : 0
  const xs = spread(
    means.map((own, index) =>
      own.length > 0 ? own.reduce((sum, x) => sum + x, 0) / own.length : centre + index,
    ),
    edges.left + Math.max(40, halfName(sorted[0]) - MARGIN),
    edges.right - Math.max(40, halfName(sorted.at(-1)) - MARGIN),
    Math.max(
      0,
      ...sorted
        .slice(1)
        .map(({ cable }, at) => cableStep(measures, nameOf(sorted[at]!.cable), nameOf(cable))),
    ),
  )
  const flags = hangFlags(
    sorted.flatMap((each, index) => each.strands.map((strand, at) => ({ strand, x: means[index]![at]! }))),
    measures,
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
        fanOf(rows, measures),
        measures,
        edges,
        goals,
      ),
    ),
  }))
}

const nameOf = ({ name, goes }: PictureCable) => `${name} ↑ ${goes}`

/** Each flag in the first row where it covers no other; towards the middle where the wall is near. */
function hangFlags(
  strands: readonly { readonly strand: PictureStrand; readonly x: number }[],
  measures: Measures,
  edges: Edges,
): ReadonlyMap<string, Flag> {
  const taken: (readonly [from: number, to: number])[][] = []
  const flags = new Map<string, Flag>()
  for (const { strand, x } of strands) {
    const width = flagWidth(measures, strand.flag?.words ?? '')
    const way = x + width > edges.right ? -1 : 1
    const from = way === 1 ? x - 8 : x + 4 - width
    const span = [from, from + width + 4] as const
    let row = 0
    while (taken[row]?.some(([start, end]) => span[0] < end && start < span[1])) row++
    taken[row] = [...(taken[row] ?? []), span]
    flags.set(strand.id, { row, width, way })
  }
  return flags
}

/** Numbers in their order, moved as little as keeps them `gap` apart and within the two ends. */
export function spread(wished: readonly number[], least: number, most: number, gap: number): number[] {
  const step = Math.min(gap, wished.length > 1 ? (most - least) / (wished.length - 1) : gap)
  const placed: number[] = []
  for (const wish of wished) placed.push(Math.max(wish, (placed.at(-1) ?? least - step) + step))
  for (let at = placed.length - 1, limit = most; at >= 0; at--, limit -= step)
    placed[at] = Math.min(placed[at]!, limit, at < placed.length - 1 ? placed[at + 1]! - step : Infinity)
  return placed
}
