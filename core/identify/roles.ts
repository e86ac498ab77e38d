import type { Role } from '../model/vocabulary'
import type { Frame } from './frame'
import type { Hypothesis } from './hypothesis'
import { OPEN, ZERO, type Standing } from './standing'

/**
 * What each conductor end is for in one circuit, in the order of the frame’s ends. With every switch of the boxes open:
 * - hot, and still hot with its own box apart, it comes in: *line*, or *loop-feed* where it comes from beyond the
 *   boxes and its cable takes a switched conductor back out there; hot only with its box together, it goes on:
 *   *onward-feed*;
 * - one metal with the neutral it is *neutral*;
 * - undriven, but with a lamp of these boxes on it, or something else that has its other side on a source, it is the
 *   *switched-load*, or *loop-return* where that lamp has its neutral out there and the feed comes by its cable;
 * - undriven from a switch of one box to a switch of another it is a *traveller*; else *spare*.
 */
export function rolesIn(frame: Frame, standing: Standing, hypothesis: Hypothesis): Role[] {
  const { ends, cables, survey, switches } = frame
  const boxes = survey.boxes.length
  const stand = (apart: number) =>
    standing.fill(hypothesis, { power: 'on', apart, lampsOut: -1, off: 0 }, OPEN)
  const driven = () => Uint8Array.from(ends, ({ index }) => standing.drive(index))
  const metal = () => Uint16Array.from(ends, ({ index }) => standing.root(index))

  stand((1 << boxes) - 1)
  const [outDrive, outMetal] = [driven(), metal()]
  const hanging = hangingIn(standing, hypothesis)
  const runsOn = (end: number) =>
    outDrive[end] === 0 &&
    ends.some(other => other.box !== ends[end]!.box && outMetal[other.index] === outMetal[end])

  const arrives = new Uint8Array(ends.length)
  for (let box = 0; box < boxes; box++) {
    if (boxes > 1) stand(1 << box)
    for (const { index, box: own } of ends)
      if (own === box && isHot(standing.drive(index))) arrives[index] = 1
  }

  stand(0)
  const [drive, whole] = [driven(), metal()]
  const { switched, loadOut, backOut } = whatHangs(standing, hypothesis, hanging)
  /** The boxes whose switches are on a metal, as bits. */
  const worked = new Uint16Array(frame.nodes.count)
  for (const { box, terminals } of switches)
    for (const terminal of terminals) worked[standing.root(terminal)]! |= 1 << box
  return ends.map(({ index, ground, cable }): Role => {
    if (ground) return 'ground'
    const mates = cables[cable]!.ends
    if (isHot(drive[index]!)) {
      if (!arrives[index]) return 'onward-feed'
      const loops =
        isHot(outDrive[index]!) &&
        mates.some(mate => drive[mate] === 0 && (loadOut.includes(outMetal[mate]!) || runsOn(mate)))
      return loops ? 'loop-feed' : 'line'
    }
    if (drive[index] === ZERO) return 'neutral'
    if (switched.includes(whole[index]!)) {
      const fedThere =
        backOut.includes(outMetal[index]!) &&
        mates.some(mate => isHot(outDrive[mate]!) || (mate !== index && runsOn(mate)))
      return fedThere ? 'loop-return' : 'switched-load'
    }
    const reached = worked[whole[index]!]!
    return (reached & (reached - 1)) !== 0 ? 'traveller' : 'spare'
  })
}

/** A lamp or load from one of its sides: what it hangs on beyond the boxes, and whether the neutral lies behind it. */
interface Hanging {
  readonly near: number
  readonly far: number
  readonly isLamp: boolean
  readonly out: number
  readonly backIsOut: boolean
}

function hangingIn(standing: Standing, { lamps, loads }: Hypothesis): readonly Hanging[] {
  const hanging: Hanging[] = []
  const from = (near: number, far: number, isLamp: boolean) =>
    hanging.push({
      near,
      far,
      isLamp,
      out: standing.root(near),
      backIsOut: standing.drive(far) === ZERO,
    })
  for (const { over, back } of lamps) {
    from(over, back, true)
    from(back, over, true)
  }
  for (const [a, b] of loads) {
    from(a, b, false)
    from(b, a, false)
  }
  return hanging
}

/** The metals that something hangs on with the boxes together, and beyond them: of all that, and where its neutral is out there. */
function whatHangs(standing: Standing, { lamps }: Hypothesis, hanging: readonly Hanging[]) {
  const [switched, loadOut, backOut]: [number[], number[], number[]] = [[], [], []]
  const isOnALamp = (node: number) => {
    const own = standing.root(node)
    return lamps.some(({ over, back }) => standing.root(over) === own || standing.root(back) === own)
  }
  for (const { near, far, isLamp, out, backIsOut } of hanging) {
    if (!isLamp && standing.drive(far) === 0 && !isOnALamp(far)) continue
    switched.push(standing.root(near))
    loadOut.push(out)
    if (backIsOut) backOut.push(out)
  }
  return { switched, loadOut, backOut }
}

const isHot = (drive: number): boolean => (drive & ~ZERO) !== 0
