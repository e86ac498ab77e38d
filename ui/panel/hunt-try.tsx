import { thrownWith } from '@/core/model/ties'
import { useState } from 'react'
import type { BoxView } from '@/core/job/box-view'
import type { HuntCandidate } from '@/core/panel'
import { Button } from '../primitives/button'
import { CheckField } from '../primitives/fields'
import { Part } from '../primitives/titled-part'
import { capital } from '@/core/words/capital'
import type { Take } from './use-take'
import { reasonWords, stayed, wentDark } from './hunt-words'
import { useSay } from '../words/use-say'

/** The one to try next, big enough for the panel at arm’s length. */
export function HuntTry({
  view,
  candidate: { circuit, why, darkens },
  seen,
  onTake,
}: {
  view: BoxView
  candidate: HuntCandidate
  seen: string
  onTake: Take
}) {
  const say = useSay()

  const [hinted, setHinted] = useState(why.includes('finder'))
  const tied = thrownWith(view.record, circuit)
  const took = (shows: Parameters<Take>[1]) => () => onTake(circuit, shows, hinted)
  return (
    <Part next={`try-${circuit.id}`} title={say`Switch off breaker`}>
      <p className="flex flex-wrap items-baseline gap-x-4">
        <strong className="text-5xl tabular-nums">
          {[circuit, ...tied].map(each => each.breaker).join(' + ')}
        </strong>
        <span className="text-lg">{circuit.label ? `“${circuit.label}”` : say`no label`}</span>
      </p>
      {why.length > 0 && <p>{capital(why.map(reason => reasonWords(say, reason)).join('; '))}.</p>}
      {(darkens.length > 0 || circuit.note) && (
        <p className="hazard bg-paper px-3 py-1">
          {darkens.length > 0 && (
            <>{say`Goes dark with it: ${darkens.map(({ name }) => name).join(', ')}. `}</>
          )}
          {circuit.note}
        </p>
      )}
      <div className="grid grid-cols-2 gap-2">
        <Button look="main" className="min-h-16 !text-center text-lg" onClick={took('went-dark')}>
          {capital(wentDark(say, seen))}
        </Button>
        <Button
          look="main"
          className="min-h-16 !text-center text-lg"
          onClick={took('stayed-lit')}
        >{say`It stayed ${stayed(seen)}`}</Button>
      </div>
      <p className="text-sm text-soft">{say`Where it stays ${stayed(seen)}, switch the breaker on again.`}</p>
      <CheckField label={say`The circuit finder names this one`} value={hinted} onCommit={setHinted} />
      <Button look="quiet" onClick={took('not-tried')}>{say`It may not be switched now`}</Button>
    </Part>
  )
}
