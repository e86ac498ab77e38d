import {
  accountedIn,
  allowedBy,
  answerOfVolts,
  answersTo,
  Identifier,
  keyOf,
  surveyOf,
  takenIn,
  type Accounted,
  type Answer as Shown,
  type Identification,
  type Taken,
} from '@/core/identify'
import type { BoxView } from '@/core/job/box-view'
import { tiedSets } from '@/core/job/tied'
import type { JobRecord } from '@/core/model/record'
import { fault, good, refused, type Fault, type Result } from '@/core/model/result'
import type { Trade } from '@/core/model/trade'
import { bad, type Answer } from './outcome'

/** Pieces of wiring that some boxes belong to. */
const setsOf = (record: JobRecord, views: readonly BoxView[]): BoxView[][] => {
  const asked = new Set(views.map(view => view.box.id))
  return tiedSets(record).filter(set => set.some(view => asked.has(view.box.id)))
}

function identifierOf(set: readonly BoxView[], trade: Trade): Result<Identifier> {
  const survey = surveyOf(set, trade)
  return survey.ok ? Identifier.of(survey.value, allowedBy(set[0]!)) : survey
}

/** As it is put out: each conductor by its name, and the reading worth taking next. */
const told = (set: readonly BoxView[], { known, next, conflict, decided, ways, unused }: Identification) => ({
  decided,
  ways,
  conductors: known.map(({ endId, ...rest }) => ({
    endId,
    name: set.flatMap(({ ends }) => ends).find(({ end }) => end.id === endId)?.name ?? endId,
    ...rest,
  })),
  next: next && { ...next, answers: answersTo(next.question) },
  conflict,
  unused,
})

/**
 * What each conductor is by the readings of the file, how far that is proven, and the next reading. A no: a
 * conductor that is not proven.
 */
export function identifyBoxes(record: JobRecord, views: readonly BoxView[], trade: Trade): Answer {
  const wirings = setsOf(record, views).map(set => {
    const boxIds = set.map(({ box }) => box.id)
    const identifier = identifierOf(set, trade)
    if (!identifier.ok) return { boxIds, kind: 'refused' as const, faults: identifier.faults }
    const identification = identifier.value.after(takenIn(set, trade), accountedIn(set), new Set())
    return { boxIds, kind: 'identified' as const, ...told(set, identification) }
  })
  const ok = wirings.every(
    each => each.kind === 'identified' && each.conductors.every(({ proof }) => proof === 'proven'),
  )
  return { code: ok ? 0 : 1, output: { ok, wirings } }
}

/**
 * The same, one line of JSON in and one out: `{"answer": "nominal"}`, `{"volts": 118.5}`, `{"skip": true}` or
 * `{"undo": true}` answers the question that was put last, or takes back the last such line. Nothing is written to the file.
 */
export class IdentifyConversation {
  #taken: readonly Taken[]
  #skipped: ReadonlySet<string> = new Set()
  /** How it was before each line that changed something: what was skipped is taken back like what was answered. */
  readonly #before: { readonly taken: readonly Taken[]; readonly skipped: ReadonlySet<string> }[] = []
  readonly #accounted: Accounted
  #now: Identification

  private constructor(
    readonly set: readonly BoxView[],
    readonly identifier: Identifier,
    trade: Trade,
  ) {
    this.#taken = takenIn(set, trade)
    this.#accounted = accountedIn(set)
    this.#now = this.#after()
  }

  /** Refused unless exactly one piece of wiring is asked for. */
  static about(record: JobRecord, views: readonly BoxView[], trade: Trade): Result<IdentifyConversation> {
    const [set, another] = setsOf(record, views)
    if (!set || another) return refused(fault('/box', 'usage', 'say which box: --box ID'))
    const identifier = identifierOf(set, trade)
    return identifier.ok ? good(new IdentifyConversation(set, identifier.value, trade)) : identifier
  }

  get state() {
    return { ok: true, ...told(this.set, this.#now) }
  }

  line(text: string): object {
    const heard = this.#hear(text)
    return heard.ok ? this.state : { ok: false, faults: heard.faults }
  }

  #hear(text: string): Result<null> {
    let given: unknown
    try {
      given = JSON.parse(text)
    } catch {
      return wrong('/', 'not-json', 'not JSON')
    }
    if (typeof given !== 'object' || given === null) return wrong('/', 'usage', 'an object is wanted')
    const { answer, volts, skip, undo } = given as Readonly<Record<string, unknown>>
    if (undo === true) {
      const before = this.#before.pop()
      if (!before) return wrong('/undo', 'nothing-to-undo', 'nothing was answered or skipped yet')
      this.#taken = before.taken
      this.#skipped = before.skipped
      this.#now = this.#after()
      return good(null)
    }
    const { conflict, next } = this.#now
    const question = conflict?.repeat.question ?? next?.question
    if (!question) return wrong('/', 'no-question', 'there is no further question')
    if (skip === true) {
      this.#remember()
      this.#skipped = new Set([...this.#skipped, keyOf(question)])
      this.#now = this.#after()
      return good(null)
    }
    const shown = typeof volts === 'number' ? answerOfVolts(volts, this.set[0]!.region) : answer
    const offered = answersTo(question)
    if (!offered.some(each => each === shown))
      return wrong('/answer', 'no-such-answer', `one of: ${offered.join(', ')}`)
    this.#take({ id: `line ${this.#taken.length + 1}`, question, answer: shown as Shown })
    return good(null)
  }

  /** A reading that was misread is struck out by the one taken instead. */
  #take(taken: Taken): void {
    this.#remember()
    const repeated = this.#now.conflict?.repeat
    const kept =
      repeated && repeated.answer !== taken.answer
        ? this.#taken.filter(({ id }) => id !== repeated.id)
        : this.#taken
    this.#taken = [...kept, taken]
    this.#now = this.#after()
  }

  #remember(): void {
    this.#before.push({ taken: this.#taken, skipped: this.#skipped })
  }

  #after(): Identification {
    return this.identifier.after(this.#taken, this.#accounted, this.#skipped)
  }
}

const wrong = (path: string, code: string, message: string) => refused(fault(path, code, message) as Fault)

/** A conversation about a file, or why there can be none. */
export function conversation(record: JobRecord, views: readonly BoxView[], trade: Trade) {
  const begun = IdentifyConversation.about(record, views, trade)
  return begun.ok ? begun : { ok: false as const, answer: bad(...begun.faults) }
}
