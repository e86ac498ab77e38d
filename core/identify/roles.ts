import type { Role } from '../model/vocabulary'
import type { Frame } from './frame'
import type { Hypothesis } from './hypothesis'
import { hotBit, OPEN, ZERO, type Standing } from './standing'

/** What each conductor end is for in one hypothesis, in the order of the frame’s ends. */
export function rolesIn(frame: Frame, standing: Standing, hypothesis: Hypothesis): Role[] {
  const { nodes, ends } = frame
  const { beyond, lamps, sources } = hypothesis
  standing.fill(hypothesis, { power: 'on', apart: 0, lampsOut: -1 }, OPEN)
  const switched = new Set(
    lamps.flatMap(({ back }, lamp) =>
      [nodes.lampHot[lamp]!, back]
        .filter(node => standing.drive(node) === 0)
        .map(node => standing.root(node)),
    ),
  )
  const ofCable = (cable: number) => frame.cables[cable]!.ends.map(end => beyond[end]!)
  const isLampHot = (node: number) => nodes.lampHot.includes(node)
  const isRun = (node: number) => node >= 0 && node < ends.length
  const isLoop = (cable: number) => ofCable(cable).some(isLampHot) || isRunOfPair(frame, hypothesis, cable)
  const isFedThere = (cable: number) =>
    ofCable(cable).some(node => nodes.hot.includes(node)) || isRunOfPair(frame, hypothesis, cable)
  return ends.map(end => {
    if (end.ground) return 'ground'
    const node = beyond[end.index]!
    const root = standing.root(end.index)
    const drive = standing.drive(end.index)
    for (let source = 0; source < sources; source++)
      if (node === nodes.hot[source]) return isLoop(end.cable) ? 'loop-feed' : 'line'
    if (nodes.onHot.includes(node)) return 'onward-feed'
    if (drive === ZERO) return 'neutral'
    if (drive !== 0 && node < 0 && !isRunEnd(hypothesis, end.index)) return 'onward-feed'
    // A lamp that is hot all the time: it is its return that is switched.
    if (drive !== 0 && isLampHot(node)) return 'onward-feed'
    if (drive !== 0) return arrives(frame, hypothesis, standing, end.index, drive) ? 'line' : 'onward-feed'
    const lamp = nodes.lampHot.indexOf(node)
    if (lamp >= 0)
      return lamps[lamp]!.back === nodes.neutral && isFedThere(end.cable) ? 'loop-return' : 'switched-load'
    if (switched.has(root)) return 'switched-load'
    return isRun(node) || isRunEnd(hypothesis, end.index) ? travels(frame, standing, root) : 'spare'
  })
}

/** Whether some other end runs to this one. */
const isRunEnd = ({ beyond }: Hypothesis, end: number) => beyond.includes(end)

/** Whether a cable runs to another box, all of it or all but one conductor. */
function isRunOfPair({ cables, ends }: Frame, hypothesis: Hypothesis, cable: number): boolean {
  return cables[cable]!.ends.some(end => {
    const node = hypothesis.beyond[end]!
    return (node >= 0 && node < ends.length) || isRunEnd(hypothesis, end)
  })
}

/** A conductor between switches of two boxes; one that hangs on a single one leads nowhere. */
function travels({ ends }: Frame, standing: Standing, root: number): Role {
  const boxes = ends.filter(({ index, seat }) => seat.kind === 'terminal' && standing.root(index) === root)
  return new Set(boxes.map(({ box }) => box)).size > 1 ? 'traveller' : 'spare'
}

/** Whether the hot comes into the box by this end, or leaves it here for the next one. */
function arrives(
  frame: Frame,
  hypothesis: Hypothesis,
  standing: Standing,
  end: number,
  drive: number,
): boolean {
  const { ends, nodes } = frame
  const { beyond } = hypothesis
  const source = Math.log2(drive) - 1
  if (hotBit(source) !== drive) return true
  // Walk from where it comes in, box by box, along the conductors that carry it.
  const steps = new Map(
    ends.filter(({ index }) => beyond[index] === nodes.hot[source]).map(({ box }) => [box, 0]),
  )
  const queue = [...steps.keys()]
  const root = standing.root(end)
  const pairs = ends.flatMap(({ index }) => {
    const other = beyond[index]!
    return other >= 0 && other < ends.length && standing.root(index) === root ? [[index, other] as const] : []
  })
  for (let box = queue.shift(); box !== undefined; box = queue.shift())
    for (const [a, b] of pairs)
      for (const [near, far] of [
        [ends[a]!.box, ends[b]!.box],
        [ends[b]!.box, ends[a]!.box],
      ] as const)
        if (near === box && !steps.has(far)) {
          steps.set(far, steps.get(box)! + 1)
          queue.push(far)
        }
  const [a, b] = pairs.find(pair => pair.includes(end)) ?? []
  if (a === undefined || b === undefined) return true
  const other = a === end ? b : a
  return (steps.get(ends[end]!.box) ?? 0) >= (steps.get(ends[other]!.box) ?? 0)
}
