'use client'

import { Link } from '../../job/link'
import {
  answerOfVolts,
  answersTo,
  keyOf,
  readingFor,
  takenIn,
  valueOf,
  type Answer,
  type Next,
  type Question,
} from '@/core/identify'
import type { BoxView } from '@/core/job/box-view'
import { approachTo, cautionsOf } from '@/core/safety'
import { useDemo, useEdits, useTrade } from '../../job/provider'
import { Button } from '../../primitives/button'
import { FigureField } from '../../primitives/figure-field'
import { capital } from '@/core/words/capital'
import { newReading } from '../../job/new-reading'
import { Part } from '../../primitives/titled-part'
import { Approach } from './approach'
import { answerWords, boxWords, wordsOf } from './question-words'
import { ToldApart } from './told-apart'
import { useSay } from '../../words/use-say'
import { type Say } from '@/core/words/say'
import { REFERENCES } from '../../words/references'
import { part } from '../../primitives/part'

const SimulatedTester = part(() => import('./simulated-tester').then(module => module.SimulatedTester))

/** One reading, big: where, with what, how to stand, what each answer will mean; answered with one press. */
export function NextReading({
  view,
  views,
  next,
  busy,
  title,
  onTaken,
  onSkip,
  onUnsure,
}: {
  view: BoxView
  views: readonly BoxView[]
  next: Pick<Next, 'question' | 'minutes'> & Partial<Pick<Next, 'outcomes' | 'parts'>>
  busy: boolean
  title?: string
  /** Instead of simply recording it. */
  onTaken?: (question: Question, answer: Answer, value: number, note: string) => void
  onSkip: (key: string) => void
  /** Asked again once another reading was taken; without it, as what cannot be taken. */
  onUnsure?: (key: string) => void
}) {
  const say = useSay()

  const trade = useTrade()
  const { question } = next
  const here = boxOf(question, view, views)
  const edits = useEdits(here.box.id)
  const steps = approachTo(here, views, question)
  const words = wordsOf(question, views)
  const taken = takenIn(views, trade)
  const again = !onTaken && taken.some(each => keyOf(each.question) === keyOf(question))
  const ready = steps.length === 0
  const live = question.power === 'on'
  const record = (answer: Answer, value: number, note = '') => {
    if (onTaken) return onTaken(question, answer, value, note)
    const reading = { ...readingFor(question, answer, value, views.length), note }
    edits.send('take a reading', [edits.add('readings', newReading(here.box.id, reading))])
  }
  const demo = useDemo()
  return (
    <Part
      title={title ?? say`Next reading`}
      aside={
        <span role="status" className="text-sm text-soft tabular-nums">
          {busy ? say`thinking what is next …` : say`about ${Math.ceil(next.minutes)} min`}
        </span>
      }
    >
      {here !== view && (
        <p>
          {say`In ${boxWords(here)}. `}
          <Link
            href={`/jobs/${view.record.job.id}/boxes/${here.box.id}/test`}
            className="inline-flex min-h-11 items-center font-semibold underline underline-offset-4"
          >{say`Go to that box`}</Link>
        </p>
      )}
      {again && (
        <p
          role="status"
          className="font-semibold"
        >{say`Once more, to be sure: it was read before, and all rests on that one reading.`}</p>
      )}
      <div
        data-next={ready ? `${taken.length}. ${keyOf(question)}` : undefined}
        className="flex flex-col gap-3"
      >
        <Places words={words} watched={question.work !== null} />
        {live && (
          <p className="hazard px-3 py-1 text-sm font-semibold">
            {question.apart.length > 0
              ? say`Live: conductors apart, held by nobody. Probes only, one reading, then off and read dead again.`
              : say`Live: nothing is moved. Probes only, one hand, insulated to the tip.`}
          </p>
        )}
        {cautionsOf(question, here).map(caution => (
          <p key={caution} className="hazard px-3 py-1 text-sm font-semibold">
            {caution}
          </p>
        ))}
        {steps.length > 0 && <Approach here={here} steps={steps} />}
        <Answers
          key={keyOf(question)}
          next={next}
          view={here}
          busy={busy}
          disabled={!ready || busy}
          onAnswer={record}
        />
      </div>
      {demo && (
        <SimulatedTester
          views={views}
          question={question}
          disabled={!ready || busy}
          onShown={answer =>
            typeof answer !== 'number' && record(answer, valueOf(answer, here.region), REFERENCES.simulated)
          }
        />
      )}
      <div className="flex flex-wrap gap-2">
        <Button
          look="quiet"
          disabled={busy}
          onClick={() => onSkip(keyOf(question))}
        >{say`Can’t take it`}</Button>
        <Button
          look="quiet"
          disabled={busy}
          onClick={() => (onUnsure ?? onSkip)(keyOf(question))}
        >{say`Not sure what it showed`}</Button>
      </div>
      {next.parts && <ToldApart parts={next.parts} views={views} region={here.region} />}
    </Part>
  )
}

/** The box in which a reading is taken. */
export const boxOf = (question: Question, view: BoxView, views: readonly BoxView[]): BoxView =>
  views.find(({ ends }) => ends.some(({ end }) => isAt(question, end.id))) ?? view

const isAt = ({ from }: Question, endId: string) => from.kind === 'end' && from.end === endId

/** From here to there, as the leads go. */
function Places({ words, watched }: { words: ReturnType<typeof wordsOf>; watched: boolean }) {
  const say = useSay()

  return (
    <div>
      <p className="text-sm text-soft">
        {words.instrument} · {words.power} · {words.stand}
      </p>
      <ol className="mt-1 flex flex-col gap-1 text-lg font-bold">
        {[words.from, words.to].map((place, at) => (
          <li key={place} className="flex items-center gap-2">
            <span
              aria-hidden="true"
              className="inline-flex size-7 shrink-0 items-center justify-center rounded-full bg-plum text-sm text-on-plum"
            >
              {at + 1}
            </span>
            {capital(place)}
          </li>
        ))}
      </ol>
      {watched && (
        <p className="mt-1 text-lg">
          {say`Work `}
          {words.worked}
          {say` and watch the meter.`}
        </p>
      )}
    </div>
  )
}

/** A big button an answer, with what it would leave; any other voltage by figures. */
function Answers({
  next: { question, outcomes },
  view,
  busy,
  disabled,
  onAnswer,
}: {
  next: Pick<Next, 'question'> & Partial<Pick<Next, 'outcomes'>>
  view: BoxView
  busy: boolean
  disabled: boolean
  onAnswer: (answer: Answer, value: number) => void
}) {
  const say = useSay()

  const { region } = view
  const measured = question.kind === 'volts' && question.work === null
  const offered = answersTo(question).filter(answer => !measured || answer === 'dead' || answer === 'nominal')
  return (
    <div className="flex flex-col gap-2" role="group" aria-label={say`What it shows`} aria-busy={busy}>
      <div className="grid grid-cols-[repeat(auto-fit,minmax(8.5rem,1fr))] gap-2">
        {offered.map(answer => (
          <Button
            key={answer}
            look="main"
            disabled={disabled}
            onClick={() => onAnswer(answer, valueOf(answer, region))}
            className="min-h-16 flex-col !items-start !gap-0 text-lg"
          >
            {answerWords(answer, region)}
            <span className="text-sm font-normal">{leaves(say, outcomes, answer)}</span>
          </Button>
        ))}
      </div>
      {offered.includes('wire') && (
        <p className="text-sm">{say`Ω without what the leads show held together.`}</p>
      )}
      {measured && (
        <FigureField
          label={say`Another voltage (V)`}
          most={1000}
          disabled={disabled}
          onRead={volts => onAnswer(answerOfVolts(volts, region), volts)}
        />
      )}
    </div>
  )
}

function leaves(say: Say, outcomes: Next['outcomes'] | undefined, answer: Answer): string {
  if (!outcomes) return ''
  const outcome = outcomes.find(each => each.answer === answer)
  if (!outcome || outcome.remaining === 0) return say`not expected`
  return outcome.remaining === 1
    ? say`leaves one way of wiring`
    : say`leaves ${outcome.remaining} ways of wiring`
}
