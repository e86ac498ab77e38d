import type { BoxPicture, PictureCable, PictureDevice, PictureJoint, PictureStrand } from './picture'

/** Coordinates in drawing units: one unit is one pixel at 390 pixels of screen. */
export interface Point {
  readonly x: number
  readonly y: number
}

export interface DrawnStrand {
  readonly strand: PictureStrand
  readonly path: string
  /** Where the flag hangs. */
  readonly flagAt: Point
  readonly tip: Point
  readonly down: boolean
}

export interface DrawnCable {
  readonly cable: PictureCable
  readonly x: number
  readonly width: number
  readonly top: boolean
  readonly strands: readonly DrawnStrand[]
}

export interface DrawnTerminal {
  readonly terminal: PictureDevice['terminals'][number]
  readonly at: Point
}

export interface DrawnDevice {
  readonly device: PictureDevice
  readonly x: number
  readonly y: number
  readonly width: number
  readonly height: number
  readonly lines: readonly string[]
  readonly terminals: readonly DrawnTerminal[]
}

export interface DrawnJoint {
  readonly joint: PictureJoint
  readonly at: Point
  readonly width: number
}

export interface BoxLayout {
  readonly width: number
  readonly height: number
  readonly box: { readonly x: number; readonly y: number; readonly width: number; readonly height: number }
  readonly cables: readonly DrawnCable[]
  readonly devices: readonly DrawnDevice[]
  readonly joints: readonly DrawnJoint[]
  readonly short: readonly { readonly id: string; readonly path: string }[]
  readonly bond: Point
}

const LANE = 46
const OUTSIDE = 44
const FAN = 132
const DEVICE_WIDTH = 146
const DEVICE_GAP = 26
const TERMINAL_STEP = 25
const JOINT_WIDTH = 62
const JOINT_HEIGHT = 30
const JOINT_STEP = 62
const SIDE = 88
const MARGIN = 8
const FLAG_ROWS = 3
const FLAG_STEP = 25

/** Places everything of a picture: cables above and below, devices in the middle, joints beside them. */
export function layoutBox(picture: BoxPicture): BoxLayout {
  const top = picture.cables.filter(cable => cable.entry === 'top')
  const bottom = picture.cables.filter(cable => cable.entry === 'bottom')
  const gangs = Math.max(1, picture.devices.length)
  const lanes = Math.max(count(top), count(bottom))
  const middle = gangs * DEVICE_WIDTH + (gangs - 1) * DEVICE_GAP + 2 * SIDE
  const width = Math.max(374, lanes * LANE + 48, middle) + 2 * MARGIN

  const topFan = top.length > 0 ? FAN : 24
  const bottomFan = bottom.length > 0 ? FAN : 24
  const deviceHeight = Math.max(120, ...picture.devices.map(heightOf))
  const columns = (['left', 'right'] as const).map(side =>
    picture.joints.filter(joint => joint.side === side),
  )
  const jointHeight = Math.max(...columns.map(column => column.length)) * JOINT_STEP
  const middleHeight = Math.max(deviceHeight, jointHeight) + 28
  const boxTop = OUTSIDE
  const middleTop = boxTop + topFan
  const boxHeight = topFan + middleHeight + bottomFan
  const box = { x: MARGIN, y: boxTop, width: width - 2 * MARGIN, height: boxHeight }

  const devices = placeDevices(picture, width, middleTop + middleHeight / 2, deviceHeight)
  const joints = columns.flatMap((column, index) =>
    column.map((joint, at) => ({
      joint,
      width: JOINT_WIDTH,
      at: {
        x: index === 0 ? box.x + 12 + JOINT_WIDTH / 2 : box.x + box.width - 12 - JOINT_WIDTH / 2,
        y: middleTop + middleHeight / 2 + (at - (column.length - 1) / 2) * JOINT_STEP,
      },
    })),
  )
  const goals = goalsOf(devices, joints)
  const edges = { top: boxTop, bottom: boxTop + boxHeight, topFan, bottomFan }
  const cables = [
    ...placeCables(top, true, width, edges, goals),
    ...placeCables(bottom, false, width, edges, goals),
  ]
  const bond = { x: box.x + 26, y: boxTop + boxHeight - 22 }
  return {
    width,
    height: boxTop + boxHeight + OUTSIDE,
    box,
    cables,
    devices,
    joints,
    bond,
    short: picture.short.map(wire => {
      const joint = joints.find(each => each.joint.id === wire.jointId)
      const end = wire.to === 'box' ? bond : goals.terminal(wire.to.deviceId, wire.to.terminalId)?.at
      return { id: wire.id, path: joint && end ? shortPath(joint, end, wire.to === 'box') : '' }
    }),
  }
}

const count = (cables: readonly PictureCable[]) =>
  cables.reduce((sum, cable) => sum + Math.max(cable.strands.length, 2), 0)

const heightOf = (device: PictureDevice) => 50 + device.terminals.length * TERMINAL_STEP + 8

function placeDevices(picture: BoxPicture, width: number, centre: number, height: number): DrawnDevice[] {
  const all = [...picture.devices].sort((a, b) => a.gang - b.gang)
  const total = all.length * DEVICE_WIDTH + (all.length - 1) * DEVICE_GAP
  return all.map((device, index) => {
    const x = (width - total) / 2 + index * (DEVICE_WIDTH + DEVICE_GAP)
    const y = centre - height / 2
    return {
      device,
      x,
      y,
      width: DEVICE_WIDTH,
      height,
      lines: wrapped(device.name, 21),
      terminals: device.terminals.map((terminal, at) => ({
        terminal,
        at: {
          x: terminal.side === 'left' ? x : x + DEVICE_WIDTH,
          y: y + 56 + at * TERMINAL_STEP + TERMINAL_STEP / 2 - 8,
        },
      })),
    }
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

interface Goals {
  readonly terminal: (deviceId: string, terminalId: string) => DrawnTerminal | undefined
  readonly joint: (jointId: string) => DrawnJoint | undefined
}

function goalsOf(devices: readonly DrawnDevice[], joints: readonly DrawnJoint[]): Goals {
  return {
    terminal: (deviceId, terminalId) =>
      devices
        .find(each => each.device.id === deviceId)
        ?.terminals.find(each => each.terminal.id === terminalId),
    joint: jointId => joints.find(each => each.joint.id === jointId),
  }
}

interface Edges {
  readonly top: number
  readonly bottom: number
  readonly topFan: number
  readonly bottomFan: number
}

function targetX(strand: PictureStrand, goals: Goals, fallback: number): number {
  if (strand.to.kind === 'terminal')
    return goals.terminal(strand.to.deviceId, strand.to.terminalId)?.at.x ?? fallback
  if (strand.to.kind === 'joint') return goals.joint(strand.to.jointId)?.at.x ?? fallback
  return fallback
}

/** Cables and their strands stand in the order of what they lead to, so that few lines cross. */
function placeCables(
  cables: readonly PictureCable[],
  top: boolean,
  width: number,
  edges: Edges,
  goals: Goals,
): DrawnCable[] {
  const centre = width / 2
  const sorted = cables
    .map(cable => {
      const strands = [...cable.strands].sort(
        (a, b) => targetX(a, goals, centre) - targetX(b, goals, centre) || (a.id < b.id ? -1 : 1),
      )
      const mean =
        strands.reduce((sum, each) => sum + targetX(each, goals, centre), 0) / (strands.length || 1)
      return { cable, strands, mean }
    })
    .sort((a, b) => a.mean - b.mean || (a.cable.name < b.cable.name ? -1 : 1))
  const total = count(cables) * LANE
  let lane = (width - total) / 2 + LANE / 2
  let row = 0
  const used = new Map<string, number>()
  return sorted.map(({ cable, strands }) => {
    const lanes = Math.max(strands.length, 2)
    const x = lane + ((lanes - 1) * LANE) / 2
    const drawn = strands.map((strand, index) => {
      const laneX = lane + (index + (lanes - strands.length) / 2) * LANE
      return drawStrand(strand, x, laneX, row++ % FLAG_ROWS, top, edges, goals, used)
    })
    lane += lanes * LANE
    return { cable, x, width: 18 + strands.length * 6, top, strands: drawn }
  })
}

function drawStrand(
  strand: PictureStrand,
  cableX: number,
  laneX: number,
  row: number,
  top: boolean,
  edges: Edges,
  goals: Goals,
  used: Map<string, number>,
): DrawnStrand {
  const way = top ? 1 : -1
  const wall = top ? edges.top : edges.bottom
  const start = { x: cableX, y: wall + way * 14 }
  const lane = { x: laneX, y: wall + way * 44 }
  const leave = { x: laneX, y: wall + way * (FAN - 4) }
  const fan = `M${start.x} ${start.y} C${start.x} ${start.y + way * 16} ${lane.x} ${lane.y - way * 16} ${lane.x} ${lane.y} L${leave.x} ${leave.y}`
  const flagAt = { x: laneX, y: wall + way * 54 + way * row * FLAG_STEP }
  if (strand.to.kind === 'terminal') {
    const found = goals.terminal(strand.to.deviceId, strand.to.terminalId)
    if (found) {
      const goal = found.at
      const outward = found.terminal.side === 'left' ? -1 : 1
      const path = `${fan} C${leave.x} ${leave.y + way * 34} ${goal.x + outward * 34} ${goal.y} ${goal.x} ${goal.y}`
      return { strand, path, flagAt, tip: goal, down: top }
    }
  }
  if (strand.to.kind === 'joint') {
    const joint = goals.joint(strand.to.jointId)
    if (joint) {
      const key = `${strand.to.jointId}/${top}`
      const nth = used.get(key) ?? 0
      used.set(key, nth + 1)
      const goal = { x: joint.at.x - 18 + (nth % 5) * 9, y: joint.at.y - (way * JOINT_HEIGHT) / 2 }
      const path = `${fan} C${leave.x} ${leave.y + way * 30} ${goal.x} ${goal.y - way * 34} ${goal.x} ${goal.y}`
      return { strand, path, flagAt, tip: goal, down: top }
    }
  }
  return { strand, path: fan, flagAt, tip: leave, down: top }
}

function shortPath(joint: DrawnJoint, end: Point, toBox: boolean): string {
  const inward = joint.joint.side === 'left' ? 1 : -1
  const start = { x: joint.at.x + (inward * JOINT_WIDTH) / 2, y: joint.at.y }
  if (toBox)
    return `M${joint.at.x} ${joint.at.y + JOINT_HEIGHT / 2} C${joint.at.x} ${joint.at.y + 50} ${end.x} ${end.y - 40} ${end.x} ${end.y}`
  const near = Math.sign(end.x - start.x) === inward
  const reach = near ? Math.max(20, Math.abs(end.x - start.x) / 2) : 30
  return `M${start.x} ${start.y} C${start.x + inward * reach} ${start.y} ${end.x - inward * (near ? reach : -30)} ${end.y} ${end.x} ${end.y}`
}
