import type { PictureDevice, PictureJoint } from './picture'

/** Coordinates in drawing units: one unit is one pixel at 390 pixels of screen. */
export interface Point {
  readonly x: number
  readonly y: number
}

export interface DrawnTerminal {
  readonly terminal: PictureDevice['terminals'][number]
  /** Its word as it stands there. */
  readonly lines: readonly string[]
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

const JOINT_HEIGHT = 28
/** From a device’s side to the nearest strand that runs down beside it. */
export const CLEAR = 8

/** Where strands may end, and which places are taken. */
export interface Goals {
  readonly terminal: (deviceId: string, terminalId: string) => DrawnTerminal | undefined
  readonly joint: (jointId: string) => DrawnJoint | undefined
  /** The next free place on a joint’s upper or lower edge. */
  readonly slot: (joint: DrawnJoint, top: boolean) => Point
  /** How many strands ran down beside this side of a device before. */
  readonly beside: (x: number, outward: 1 | -1) => number
  /** Whether a device stands between two places across the box. */
  readonly stands: (from: number, to: number) => boolean
  /** The side of the device over which a lane lies that is nearest to a goal, and which way it looks; null where it lies over none. */
  readonly roundFrom: (lane: number, goal: number) => readonly [side: number, outward: 1 | -1] | null
  readonly devices: Extent
}

/** What the devices take up together. */
export interface Extent {
  readonly left: number
  readonly right: number
  readonly top: number
  readonly foot: number
}

export function goalsOf(
  devices: readonly DrawnDevice[],
  joints: readonly DrawnJoint[],
  sides: Extent,
): Goals {
  const taken = new Map<string, number>()
  const next = (key: string) => {
    const nth = taken.get(key) ?? 0
    taken.set(key, nth + 1)
    return nth
  }
  return {
    devices: sides,
    stands: (from, to) =>
      devices.some(({ x, width }) => x < Math.max(from, to) - 1 && x + width > Math.min(from, to) + 1),
    roundFrom: (lane, goal) => {
      const over = devices.find(({ x, width }) => lane > x - CLEAR && lane < x + width + CLEAR)
      if (!over) return null
      // A goal under the device is as near from either side: the one that the lane is nearer to.
      const right = over.x + over.width
      const aim = goal > right || goal < over.x ? goal : lane
      return aim - over.x > right - aim ? [right, 1] : [over.x, -1]
    },
    beside: (x, outward) => next(`${x}/${outward}`),
    terminal: (deviceId, terminalId) =>
      devices
        .find(each => each.device.id === deviceId)
        ?.terminals.find(each => each.terminal.id === terminalId),
    joint: jointId => joints.find(each => each.joint.id === jointId),
    slot: (drawn, top) => {
      const nth = next(`${drawn.joint.id}/${top}`)
      const offset = [0, 12, -12, 22, -22][nth % 5]!
      return { x: drawn.at.x + offset, y: drawn.at.y + ((top ? -1 : 1) * JOINT_HEIGHT) / 2 }
    },
  }
}

export interface Edges {
  readonly top: number
  readonly bottom: number
  readonly left: number
  readonly right: number
  readonly lane: number
}
