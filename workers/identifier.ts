import {
  accountedIn,
  allowedBy,
  Identifier,
  keyOf,
  surveyOf,
  takenIn,
  type Answer as Shown,
  type Identification,
  type Question as Reading,
  type Reach,
  type Taken,
} from '@/core/identify'
import { tiedBoxes } from '@/core/job/tied'
import type { JobRecord } from '@/core/model/record'
import type { Fault } from '@/core/model/result'
import type { Trade } from '@/core/model/trade'
import type { Answer, Question } from './ask'

/** A box with the record it stands in: what was seen and read of all that hangs together with it. */
export interface IdentifyQuestion {
  readonly record: JobRecord
  readonly boxId: string
  readonly trade: Trade
  /** Questions, by their keys, that cannot be answered now. */
  readonly skipped: readonly string[]
  /** Whether an answer is wanted at once, or as much as is ever said. */
  readonly reach: Reach
  /** A reading that is being taken, and what it may show: thought of before it is there. */
  readonly supposing?: { readonly question: Reading; readonly answer: Shown }
}

export type IdentifyAnswer =
  | { readonly kind: 'identified'; readonly identification: Identification }
  | { readonly kind: 'refused'; readonly faults: readonly Fault[] }

let held: { readonly key: string; readonly identifier: Identifier } | null = null

/** What was thought of one survey already, the reading that was supposed under a name of its own. */
interface Known {
  readonly ids: readonly string[]
  readonly identification: Identification
}
const known = new Map<string, Known>()
const MOST_KNOWN = 30

const SUPPOSED = 'supposed'

function answered({ record, boxId, trade, skipped, reach, supposing }: IdentifyQuestion): IdentifyAnswer {
  const views = tiedBoxes(record, boxId)
  const survey = surveyOf(views, trade)
  if (!survey.ok) return { kind: 'refused', faults: survey.faults }
  const allowed = allowedBy(views[0]!)
  const key = JSON.stringify([survey.value, allowed])
  if (held?.key !== key) {
    const opened = Identifier.of(survey.value, allowed)
    if (!opened.ok) return { kind: 'refused', faults: opened.faults }
    held = { key, identifier: opened.value }
    known.clear()
  }
  const taken = [...takenIn(views, trade), ...(supposing ? [{ id: SUPPOSED, ...supposing }] : [])]
  const accounted = accountedIn(views)
  const { identifier } = held
  const after = () => identifier.after(taken, accounted, new Set(skipped), reach)
  if (reach === 'soon') return { kind: 'identified', identification: after() }
  const asked = JSON.stringify([
    taken.map(({ question, answer }) => [keyOf(question), answer]),
    [...accounted.toldFromGround],
    skipped,
  ])
  const before = known.get(asked)
  if (before) return { kind: 'identified', identification: named(before, taken) }
  const identification = after()
  if (known.size >= MOST_KNOWN) known.delete(known.keys().next().value!)
  // Readings that do not stand together are told of one by one, by their names: those are thought of when they are there.
  if (!identification.conflict && identification.unused.length === 0)
    known.set(asked, { ids: taken.map(({ id }) => id), identification })
  return { kind: 'identified', identification }
}

/** The same, with the names that its readings have now. */
function named({ ids, identification }: Known, taken: readonly Taken[]): Identification {
  const now = new Map(ids.map((id, at) => [id, taken[at]!.id]))
  return {
    ...identification,
    known: identification.known.map(each => ({ ...each, why: each.why.map(id => now.get(id) ?? id) })),
  }
}

self.onmessage = ({ data }: MessageEvent<Question<IdentifyQuestion>>) => {
  const answer: Answer<IdentifyAnswer> = { id: data.id, value: answered(data.value) }
  self.postMessage(answer)
}
