import { CLEAR, type Edges, type Goals, type Point } from './goals'
import { flagStep, type Measures } from './measures'
import type { BoxPicture, PictureStrand } from './picture'

export interface DrawnStrand {
  readonly strand: PictureStrand
  readonly path: string
  /** Where the flag hangs, and to which side it hangs. */
  readonly flagAt: Point
  readonly flagRow: number
  readonly flagWidth: number
  readonly flagWay: 1 | -1
  readonly tip: Point
  readonly down: boolean
}

/** The tape flag of a strand: in which row it hangs, how wide, to which side. */
export interface Flag {
  readonly row: number
  readonly width: number
  readonly way: 1 | -1
}

/** A strand from its cable, down its lane, to where it ends. */
export function drawStrand(
  strand: PictureStrand,
  cableX: number,
  laneX: number,
  flag: Flag,
  top: boolean,
  fanHeight: number,
  measures: Measures,
  edges: Edges,
  goals: Goals,
): DrawnStrand {
  const way = top ? 1 : -1
  const wall = top ? edges.top : edges.bottom
  const start = { x: cableX, y: wall + way * 13 }
  const lane = { x: laneX, y: wall + way * 38 }
  const leave = { x: laneX, y: wall + way * (fanHeight - 6) }
  const fan = `M${start.x} ${start.y} C${start.x} ${start.y + way * 16} ${lane.x} ${lane.y - way * 16} ${lane.x} ${lane.y} L${leave.x} ${leave.y}`
  const drawn = {
    strand,
    flagAt: { x: laneX, y: wall + way * (48 + flag.row * flagStep(measures)) },
    flagRow: flag.row,
    flagWidth: flag.width,
    flagWay: flag.way,
    down: top,
  }
  const terminal =
    strand.to.kind === 'terminal' ? goals.terminal(strand.to.deviceId, strand.to.terminalId) : undefined
  if (terminal) {
    const { x, y } = terminal.at
    const outward = terminal.terminal.side === 'left' ? -1 : 1
    // A lane that lies over a device, or beyond one, goes round: nothing vanishes behind it.
    if ((laneX - x) * outward < CLEAR || goals.stands(x, laneX)) {
      const path = `${fan} ${roundDevice(laneX, terminal.at, outward, top, goals)}`
      return { ...drawn, path, tip: terminal.at }
    }
    const beside = { x: laneX, y: y - way * 34 }
    const path = `${fan} L${beside.x} ${beside.y} C${beside.x} ${y} ${x + outward * 24} ${y} ${x} ${y}`
    return { ...drawn, path, tip: terminal.at }
  }
  const joint = strand.to.kind === 'joint' ? goals.joint(strand.to.jointId) : undefined
  if (joint) {
    const goal = goals.slot(joint, top)
    const round = top ? goals.roundFrom(laneX, goal.x) : null
    if (round) {
      const path = `${fan} ${pastDevice(laneX, round[0], round[1], goal, goals)}`
      return { ...drawn, path, tip: goal }
    }
    const turn = { x: laneX, y: goal.y - way * 52 }
    const path = `${fan} L${turn.x} ${turn.y} C${turn.x} ${turn.y + way * 34} ${goal.x} ${goal.y - way * 34} ${goal.x} ${goal.y}`
    return { ...drawn, path, tip: goal }
  }
  return { ...drawn, path: fan, tip: leave }
}

const ROUND = 10
/** Beside a device: each further out than the one before, never as far as the next device. */
const besideBy = (nth: number): number => Math.min(15 + nth * 9, 38)

/** Over a device’s head to one of its sides, and down beside it to a joint below. */
function pastDevice(laneX: number, side: number, outward: 1 | -1, goal: Point, goals: Goals): string {
  const nth = goals.beside(side, outward)
  const beside = side + outward * besideBy(nth)
  const over = goals.devices.top - 9 - nth * 7
  const along = beside < laneX ? -1 : 1
  const foot = goals.devices.foot + 6
  return [
    `L${laneX} ${over - ROUND}`,
    `Q${laneX} ${over} ${laneX + along * ROUND} ${over}`,
    `L${beside - along * ROUND} ${over}`,
    `Q${beside} ${over} ${beside} ${over + ROUND}`,
    `L${beside} ${foot}`,
    `C${beside} ${foot + 26} ${goal.x} ${goal.y - 30} ${goal.x} ${goal.y}`,
  ].join(' ')
}

/** Over a device’s head, or under its foot, down beside it and onto the screw of its far side. */
function roundDevice(laneX: number, { x, y }: Point, outward: 1 | -1, top: boolean, goals: Goals): string {
  const nth = goals.beside(x, outward)
  const beside = x + outward * besideBy(nth)
  const over = top ? goals.devices.top - 9 - nth * 7 : goals.devices.foot + 9 + nth * 7
  const along = beside < laneX ? -1 : 1
  const down = top ? 1 : -1
  return [
    `L${laneX} ${over - down * ROUND}`,
    `Q${laneX} ${over} ${laneX + along * ROUND} ${over}`,
    `L${beside - along * ROUND} ${over}`,
    `Q${beside} ${over} ${beside} ${over + down * ROUND}`,
    `L${beside} ${y - down * ROUND}`,
    `Q${beside} ${y} ${x} ${y}`,
  ].join(' ')
}

/** A pigtail or a lead: from a terminal, or from the box, into its joint. */
export function shortPath(wire: BoxPicture['short'][number], goals: Goals, bond: Point): string {
  const joint = goals.joint(wire.jointId)
  if (!joint) return ''
  if (wire.to === 'box') {
    const start = goals.slot(joint, false)
    return `M${start.x} ${start.y} C${start.x} ${start.y + 36} ${bond.x} ${bond.y - 44} ${bond.x} ${bond.y}`
  }
  const terminal = goals.terminal(wire.to.deviceId, wire.to.terminalId)
  if (!terminal) return ''
  const { x, y } = terminal.at
  const goal = goals.slot(joint, true)
  const outward = terminal.terminal.side === 'left' ? -1 : 1
  // Out from the screw and down beside the device: what went straight to its joint would vanish behind it.
  const beside = x + outward * besideBy(goals.beside(x, outward))
  const foot = goals.devices.foot + 6
  return `M${x} ${y} Q${beside} ${y} ${beside} ${y + ROUND} L${beside} ${foot} C${beside} ${foot + 26} ${goal.x} ${goal.y - 30} ${goal.x} ${goal.y}`
}
