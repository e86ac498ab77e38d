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
  const { lamps, loads } = hypothesis
  const boxes = survey.boxes.length
  const stand = (apart: number) =>
    standing.fill(hypothesis, { power: 'on', apart, lampsOut: -1, off: 0 }, OPEN)
  const driven = () => ends.map(({ index }) => standing.drive(index))
  const metal = () => ends.map(({ index }) => standing.root(index))

  stand((1 << boxes) - 1)
  const [outDrive, outMetal] = [driven(), metal()]
  /** Each lamp and load from either side: what it hangs on out there, and what lies behind it. */
  const hanging = [
    ...lamps.map(({ over, back }) => ({ ends: [over, back] as const, always: true })),
    ...loads.map(pair => ({ ends: pair, always: false })),
  ].flatMap(({ ends: [a, b], always }) =>
    (
      [
        [a, b],
        [b, a],
      ] as const
    ).map(([near, far]) => ({
      near,
      far,
      always,
      out: standing.root(near),
      backIsOut: standing.drive(far) === ZERO,
    })),
  )
  const runsOn = (end: number) =>
    outDrive[end] === 0 &&
    ends.some(other => other.box !== ends[end]!.box && outMetal[other.index] === outMetal[end])

  const arrives = new Array<boolean>(ends.length).fill(false)
  for (let box = 0; box < boxes; box++) {
    if (boxes > 1) stand(1 << box)
    for (const { index, box: own } of ends) if (own === box) arrives[index] = isHot(standing.drive(index))
  }

  stand(0)
  const [drive, whole] = [driven(), metal()]
  const ofLamps = new Set(lamps.flatMap(({ over, back }) => [standing.root(over), standing.root(back)]))
  const counting = hanging.filter(
    ({ always, far }) => always || standing.drive(far) !== 0 || ofLamps.has(standing.root(far)),
  )
  const switched = new Set(counting.map(({ near }) => standing.root(near)))
  const loadOut = new Set(counting.map(({ out }) => out))
  const backOut = new Set(counting.filter(({ backIsOut }) => backIsOut).map(({ out }) => out))
  const worked = switches.flatMap(({ box, terminals }) =>
    terminals.map(terminal => ({ box, net: standing.root(terminal) })),
  )
  return ends.map(({ index, ground, cable }): Role => {
    if (ground) return 'ground'
    const mates = cables[cable]!.ends
    if (isHot(drive[index]!)) {
      if (!arrives[index]) return 'onward-feed'
      const loops =
        isHot(outDrive[index]!) &&
        mates.some(mate => drive[mate] === 0 && (loadOut.has(outMetal[mate]!) || runsOn(mate)))
      return loops ? 'loop-feed' : 'line'
    }
    if (drive[index] === ZERO) return 'neutral'
    if (switched.has(whole[index]!)) {
      const fedThere =
        backOut.has(outMetal[index]!) &&
        mates.some(mate => isHot(outDrive[mate]!) || (mate !== index && runsOn(mate)))
      return fedThere ? 'loop-return' : 'switched-load'
    }
    const reached = new Set(worked.filter(({ net }) => net === whole[index]).map(({ box }) => box))
    return reached.size > 1 ? 'traveller' : 'spare'
  })
}

const isHot = (drive: number): boolean => (drive & ~ZERO) !== 0
