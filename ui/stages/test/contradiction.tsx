'use client'

import { readingFor, type Answer, type Conflict, type Question } from '@/core/identify'
import type { BoxView } from '@/core/job/box-view'
import { useEdits } from '../../job/provider'
import { newReading } from '../../job/new-reading'
import { Part } from '../../primitives/titled-part'
import { NextReading } from './next-reading'
import { answerWords, wordsOf } from './question-words'
import { useSay } from '../../words/use-say'

const USUAL_CAUSES = [
  'A switch stood otherwise than thought, or was worked in between.',
  'Another circuit comes into this box.',
  'A lead touched the neighboring conductor.',
  'The meter was on its high-impedance range, and showed a phantom voltage.',
  'A switch is bridged, or worn so that it does not open.',
]

/** Readings that cannot all be true, and the one to take again first. */
export function Contradiction({
  view,
  views,
  conflict,
  busy,
}: {
  view: BoxView
  views: readonly BoxView[]
  conflict: Conflict
  busy: boolean
}) {
  const say = useSay()

  const { repeat } = conflict
  const boxOf = (id: string) => view.record.readings[id]?.boxId ?? view.box.id
  const edits = useEdits(boxOf(repeat.id))
  const taken = (question: Question, answer: Answer, value: number, note: string) =>
    edits.send('take a reading', [
      edits.add(
        'readings',
        newReading(boxOf(repeat.id), { ...readingFor(question, answer, value, views.length), note }),
      ),
      // The new one stands instead of one that was misread; the same again bears it out.
      ...(answer === repeat.answer
        ? []
        : [edits.change('readings', repeat.id, { struck: say`Read again, and it read otherwise` })]),
    ])
  return (
    <>
      <Part title={say`Stop: these readings cannot stand together`}>
        <ul className="flex flex-col gap-1">
          {conflict.readings.map(({ id, question, answer }) => {
            const words = wordsOf(question, views)
            return (
              <li key={id} className="hazard bg-paper px-3 py-1">
                {say`${words.from} to ${words.to}${words.worked ? say`, working ${words.worked}` : ''}, ${words.stand}: `}
                <strong>{answerWords(answer, view.region)}</strong>
              </li>
            )
          })}
        </ul>
        <details>
          <summary className="min-h-11 py-2 font-semibold">{say`Usual causes`}</summary>
          <ul className="list-disc pl-5">
            {USUAL_CAUSES.map(cause => (
              <li key={cause}>{cause}</li>
            ))}
          </ul>
        </details>
        {!conflict.explained && (
          <p>{say`No single misreading explains them. Look at the box again; where it stays so, get help.`}</p>
        )}
      </Part>
      <NextReading
        key={repeat.id}
        view={view}
        views={views}
        next={{ question: repeat.question, minutes: 1 }}
        busy={busy}
        title={say`Read this again first`}
        onTaken={taken}
        onSkip={() =>
          edits.send('strike out a reading', [
            edits.change('readings', repeat.id, { struck: say`It cannot stand together with others` }),
          ])
        }
      />
    </>
  )
}
