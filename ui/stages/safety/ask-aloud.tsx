import { useState } from 'react'
import type { BoxView } from '@/core/job/box-view'
import { saidOf } from '@/core/job/hearing'
import { rowsOf } from '@/core/model/record'
import { isolationOf } from '@/core/safety'
import { FIELD_LOOK } from '../../primitives/field-look'
import { useJob, useStore } from '../../job/provider'
import { Button } from '../../primitives/button'
import { Folded } from '../../primitives/folded'
import { capital } from '@/core/words/capital'
import { switchName } from '../../words/switch-name'
import { useWhen } from '../../words/use-dates'
import { useSay } from '../../words/use-say'

/** Somebody may have switched the power on without its being known here: whom to ask, and what was answered. */
export function AskAloud({ view }: { view: BoxView }) {
  const say = useSay()
  const when = useWhen()
  const { touch, record } = useJob()
  const store = useStore()
  const [said, setSaid] = useState('')
  const isolation = isolationOf(view)
  const what = isolation.toSwitchOff.map(circuit => switchName(record, circuit?.id ?? null)).join(say` and `)
  const named = [...new Set(touch.unheard.map(({ by }) => by).filter(Boolean))]
  const unnamed = touch.unheard.filter(({ by }) => by === '').length
  const who = unnamed === 0 ? named : [...named, say.count(unnamed, 'another phone', '# other phones')]
  const answer = (words: string) => {
    const kept = words.trim().slice(0, 200)
    if (kept !== '') store.askedAloud(view.box.id, kept)
    setSaid('')
  }
  return (
    <Folded
      opened={isolation.dead}
      summary={
        <summary className="min-h-11 py-2 font-semibold">
          {touch.unheard.length > 0
            ? say.count(touch.unheard.length, '# phone not heard: ask aloud', '# phones not heard: ask aloud')
            : say`No connection: ask aloud`}
        </summary>
      }
    >
      <section aria-label={say`Asked aloud`} className="mb-1 flex flex-col gap-2">
        {touch.lostSince !== null && (
          <p>{say`No connection since ${when(touch.lostSince)}: what others do is not known here.`}</p>
        )}
        {touch.unheard.length > 0 && (
          <p>
            {say`Not heard since ${when(touch.unheard[0]!.since)}: ${who.join(', ')}. What was done there is not known here.`}
          </p>
        )}
        {saidOf(touch, view.box.id) === null && isolation.stillOn.length === 0 && (
          <>
            <p>{say`Ask aloud at the panel: is ${what} off and locked? No hand in the box before the answer.`}</p>
            <div className="flex flex-wrap gap-2">
              {rowsOf(record, 'crew').map(({ id, name }) => (
                <Button
                  key={id}
                  onClick={() => answer(say`${capital(what)} off and locked, says ${name}`)}
                >{say`Yes, says ${name}`}</Button>
              ))}
              <form
                className="flex min-w-64 flex-1 gap-2"
                onSubmit={event => {
                  event.preventDefault()
                  answer(said)
                }}
              >
                <input
                  aria-label={say`What was answered`}
                  placeholder={say`Another answer`}
                  value={said}
                  maxLength={200}
                  onChange={event => setSaid(event.target.value)}
                  className={`${FIELD_LOOK} w-full min-w-0 flex-1`}
                />
                <Button type="submit" disabled={said.trim() === ''}>{say`Answered`}</Button>
              </form>
            </div>
          </>
        )}
      </section>
    </Folded>
  )
}
