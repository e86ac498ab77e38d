import {
  answersTo,
  Identifier,
  type Answer,
  type Identification,
  type Question,
  type Reach,
  type Survey,
} from '@/core/identify'
import { SimulatedTester } from '@/standins/tester'
import type { Cut } from './cut'
import { Lot } from './lot'

/** What came of identifying a cut, reading after reading, as a person would who does all that is asked. */
export interface Played {
  readonly identification: Identification
  readonly taken: readonly Taken[]
  readonly readings: number
  /** Those of them that were taken unasked. */
  readonly own: number
  /** How often it was said that readings cannot stand together, though none was false. */
  readonly contradictions: number
  /** *Nothing fits* before anything was read. */
  readonly nothingFits: boolean
  /** How long each answer took that was given at once, and each for which more was searched first. */
  readonly milliseconds: readonly number[]
  readonly further: readonly number[]
  /** Ends proven to be what they are not. */
  readonly wrong: readonly string[]
  readonly fullyProven: boolean
}

export interface Playing {
  readonly live: boolean
  /** Whether each place is worked and its light looked at before anything is opened, as is asked for. */
  readonly watches: boolean
  /** How far is searched where nothing more is found to ask. */
  readonly reach?: Reach
  /** The reading, counted from 0, that is misread, and which of the other answers it shows. */
  readonly lie?: { readonly at: number; readonly choice: number }
  readonly most?: number
  /** Readings taken unasked at the start, with lamps out or a device off its wires, drawn by a seed. */
  readonly own?: number
  readonly seed?: number
}

interface Taken {
  readonly id: string
  readonly question: Question
  readonly answer: Answer
}

const MOST_READINGS = 90

/** Null where the record does not say enough to begin. */
export function play(
  cut: Cut,
  { live, watches, reach = 'far', lie, most = MOST_READINGS, own = 0, seed = 0 }: Playing,
): Played | null {
  const milliseconds: number[] = []
  const further: number[] = []
  const timed = <Value>(into: number[], work: () => Value): Value => {
    const start = performance.now()
    const value = work()
    into.push(performance.now() - start)
    return value
  }
  const opened = Identifier.of(watches ? watched(cut) : cut.survey, { live })
  if (!opened.ok) return null
  const tester = new SimulatedTester(cut.circuit, cut.boxOfJoint, cut.survey.nominalBand, cut.state)
  let taken: Taken[] = []
  let [readings, contradictions, nothingFits] = [0, 0, false]
  const ask = (question: Question): Taken | null => {
    const shown = tester.answer(question)
    if (!shown.ok) return null
    const others = answersTo(question).filter(each => each !== shown.value)
    const isLie = lie?.at === readings
    const answer = isLie ? others[lie.choice % others.length]! : shown.value
    return { id: `${readings++}`, question, answer }
  }
  const after = (reach: Reach) => opened.value.after(taken, { toldFromGround: new Set() }, new Set(), reach)
  const think = () => {
    const soon = timed(milliseconds, () => after('soon'))
    return soon.further && reach === 'far' ? timed(further, () => after('far')) : soon
  }
  for (const question of unasked(cut, new Lot(seed + 31), own)) {
    const answered = ask(question)
    if (answered) taken.push(answered)
  }
  const ownTaken = taken.length
  let identification = think()
  while (readings < most) {
    if (identification.conflict) {
      if (taken.length === 0) nothingFits = true
      contradictions++
      const again = ask(identification.conflict.repeat.question)
      if (!again) break
      taken =
        again.answer === identification.conflict.repeat.answer
          ? [...taken, again]
          : taken.map(each => (each.id === identification.conflict!.repeat.id ? again : each))
    } else {
      const { decided, known } = identification
      if (taken.length === 0 && decided && known.some(({ candidates }) => candidates.length === 0))
        nothingFits = true
      if (!identification.next) break
      const answered = ask(identification.next.question)
      if (!answered) break
      taken.push(answered)
    }
    identification = think()
  }
  return {
    identification,
    taken,
    readings,
    own: ownTaken,
    contradictions,
    nothingFits,
    milliseconds,
    further,
    wrong: identification.known.flatMap(({ endId, proof, candidates: [first] }) =>
      proof === 'proven' && first!.role !== cut.roles.get(endId)
        ? [`${endId} is no ${first!.role} but ${cut.roles.get(endId)}`]
        : [],
    ),
    fullyProven: identification.known.every(
      ({ proof, endId }) => proof === 'proven' || cut.roles.get(endId) === 'ground',
    ),
  }
}

/** Volts and continuity between conductors and to a ground, boxes apart or not, with lamps out or a device off its wires. */
function unasked({ survey }: Cut, lot: Lot, count: number): Question[] {
  const ends = survey.cables.flatMap(cable => cable.ends.map(({ id }) => id))
  return Array.from({ length: count }, (): Question => {
    const power = lot.chance(0.7) ? 'on' : 'off'
    const device = lot.one(survey.devices)
    return {
      kind: power === 'on' ? 'volts' : 'continuity',
      power,
      apart: lot.chance(0.3) ? [lot.one(survey.boxes).id] : [],
      from: { kind: 'end', end: lot.one(ends) },
      to: lot.chance(0.5) ? { kind: 'earth' } : { kind: 'end', end: lot.one(ends) },
      work: null,
      ...(lot.chance(0.6) ? { lampsOut: lot.one(survey.lights).id } : {}),
      ...(lot.chance(0.6) ? { off: device.id } : {}),
    }
  })
}

const watched = ({ survey, answering }: Cut): Survey => ({
  ...survey,
  lights: survey.lights.map(light => ({
    ...light,
    behaves: answering.has(light.id) ? 'answers' : 'not-known',
  })),
})
