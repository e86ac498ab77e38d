import { Identifier, minutesIn } from '@/core/identify'
import { randomHidden } from '@/testing/identify/arrangements'
import { leastReadings, plannedReadings, withPlainQuestions } from '@/testing/identify/best-tree'
import { EACH_COSTS_ONE, prepare, run, testerOf } from '@/testing/identify/run'

/** Groups of four boxes of 15 to 19 insulated conductors, and one of five that is followed first; by seeds. */
const GROUPS = [
  [103, 4],
  [140, 4],
  [278, 4],
  [343, 4],
  [228, 5],
] as const
const CIRCUITS = 400
const SMALL = 60
const FEW_WAYS = 14

/** Figures of Identify: how long the next test takes, and how many readings certainty costs. */
export function benchIdentify(): void {
  for (const [seed, most] of GROUPS) {
    const hidden = randomHidden(seed, most)
    const conductors = hidden.circuit.wires.filter(({ id }) => !id.endsWith('bare')).length
    globalThis.gc?.()
    const before = process.memoryUsage()
    const start = performance.now()
    const opened = Identifier.of(hidden.survey, { live: true })
    if (!opened.ok) throw new Error('the bench circuit cannot be identified')
    const thought = performance.now() - start
    const tester = testerOf(hidden)
    const taken: Parameters<Identifier['after']>[0][number][] = []
    const times: number[] = []
    for (;;) {
      const began = performance.now()
      const { next } = opened.value.after(taken, { toldFromGround: new Set() }, new Set())
      times.push(performance.now() - began)
      const answered = next && tester.answer(next.question)
      if (!answered?.ok) break
      taken.push({ id: `${taken.length}`, question: next!.question, answer: answered.value })
    }
    const after = process.memoryUsage()
    const used = after.heapUsed + after.arrayBuffers - before.heapUsed - before.arrayBuffers
    const sorted = [...times].sort((a, b) => a - b)
    console.log(
      `Identify: ${hidden.survey.boxes.length} boxes, ${conductors} conductors`.padEnd(58),
      `thought of in ${thought.toFixed(0)} ms   first test ${times[0]!.toFixed(1)} ms   next tests median ${sorted[Math.floor(sorted.length / 2)]!.toFixed(1)} ms, worst ${Math.max(...times.slice(1)).toFixed(1)} ms   ${(used / 1e6).toFixed(0)} MB   ${taken.length} readings`,
    )
  }
  readings()
  beside()
}

/** Readings until everything is proven, beside what roles alone would take in bits. */
function readings(): void {
  const counts: number[] = []
  const misread: number[] = []
  const minutes: number[] = []
  const switchings: number[] = []
  const bits: number[] = []
  for (let seed = 1; seed <= CIRCUITS; seed++) {
    const hidden = randomHidden(seed, 2)
    const prepared = prepare(hidden)
    const done = run(hidden, prepared, EACH_COSTS_ONE)
    counts.push(done.readings)
    misread.push(
      run(hidden, prepared, EACH_COSTS_ONE, { at: seed % done.readings, choice: seed >> 3 }).readings,
    )
    const paced = run(hidden, prepared, minutesIn(prepared.held.frame))
    minutes.push(paced.minutes)
    switchings.push(paced.switchings)
    bits.push(entropyOf(prepared.held))
  }
  const mean = (of: readonly number[]) => (of.reduce((sum, each) => sum + each, 0) / of.length).toFixed(2)
  console.log(
    `Identify: readings over ${CIRCUITS} hidden circuits`.padEnd(58),
    `mean ${mean(counts)}, worst ${Math.max(...counts)}; with one misread mean ${mean(misread)}, worst ${Math.max(...misread)}; planned by minutes ${mean(minutes)} min with ${mean(switchings)} switchings, at most ${Math.max(...switchings)}; entropy of the roles ${mean(bits)} bit`,
  )
}

/** Bits of not knowing which roles there are, by how usual each is. */
function entropyOf({ hypotheses, classOf }: ReturnType<typeof prepare>['held']): number {
  const shares = new Map<number, number>()
  hypotheses.forEach(({ weight }, at) => shares.set(classOf[at]!, (shares.get(classOf[at]!) ?? 0) + weight))
  const total = [...shares.values()].reduce((sum, each) => sum + each, 0)
  return [...shares.values()].reduce((sum, each) => sum - (each / total) * Math.log2(each / total), 0)
}

/** Beside the best tree of readings there can be, under the same rule of leaving any one out. */
function beside(): void {
  let [compared, least, planned, bare, worst] = [0, 0, 0, 0, 0]
  for (let seed = 1; seed <= SMALL; seed++) {
    const prepared = withPlainQuestions(prepare(randomHidden(seed, 2)))
    if (prepared.held.hypotheses.length > FEW_WAYS || prepared.held.classes.length < 2) continue
    const best = leastReadings(prepared)
    if (best === null) continue
    const mine = plannedReadings(prepared)
    compared++
    least += best
    planned += mine
    bare += leastReadings(prepared, 1) ?? 0
    worst = Math.max(worst, mine - best)
  }
  console.log(
    `Identify: beside the best tree, ${compared} small circuits`.padEnd(58),
    `best ${(least / compared).toFixed(3)}, asked for ${(planned / compared).toFixed(3)} readings, at most ${worst.toFixed(3)} more; without leaving one out ${(bare / compared).toFixed(3)} would do`,
  )
}
