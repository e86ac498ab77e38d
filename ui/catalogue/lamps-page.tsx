'use client'

import Link from 'next/link'
import { DIMMING, type LampEntry, type LampFigures } from '@/core/model/lamps'
import { RATING_KINDS } from '@/core/model/vocabulary'
import { Away } from '../primitives/away'
import { DATA_OF } from '../browser/early'
import { useServed } from '../browser/use-served'
import { Button } from '../primitives/button'
import { NumberField, PickOne, SelectField, TextField } from '../primitives/fields'
import { useRunning } from '../browser/use-running'
import { CompanyHeader } from './company-header'
import { RATING_WORDS } from './device-words'
import { useLamps } from './use-lamps'
import { useSay } from '../words/use-say'
import { RowContext } from '../primitives/row-context'

const DIMMING_WORDS: Readonly<Record<LampFigures['dimming'], string>> = {
  always: 'Always',
  'as-printed': 'As printed on it',
  never: 'Never',
}

/** What is reckoned with for each kind of lamp where its sheet does not say otherwise. */
export function LampsPage() {
  const { value, away, again } = useServed<readonly LampEntry[]>(DATA_OF['/catalogue/lamps'])
  if (value) return <Kinds entries={value} />
  return away ? <Away again={again} /> : <main id="main" aria-busy="true" className="min-h-screen" />
}

function Kinds({ entries: initial }: { entries: readonly LampEntry[] }) {
  const say = useSay()

  const { entries, trouble, busy, last, put, takeBack } = useLamps(initial)
  const running = useRunning()
  return (
    <>
      <CompanyHeader>
        <Button
          look="quiet"
          className="!px-2"
          disabled={!last || busy}
          onClick={() => void takeBack()}
        >{say`Undo`}</Button>
      </CompanyHeader>
      <main id="main" className="mx-auto max-w-7xl px-3 pb-24 sm:px-4">
        <div className="flex flex-wrap items-end justify-between gap-3 pt-5">
          <h1 className="text-2xl">{say`Lamps`}</h1>
          <Link
            href="/catalogue"
            className="inline-flex min-h-11 items-center font-semibold underline decoration-rule underline-offset-4"
          >{say`Catalogue`}</Link>
        </div>
        {trouble && (
          <p role="alert" className="hazard mt-3 bg-sheet px-3 py-2 font-semibold">
            {trouble}
          </p>
        )}
        <ul className="mt-4 flex flex-col gap-3">
          {entries.map(entry => (
            <li key={entry.kind}>
              <RowContext value={entry.kind}>
                <Lamp
                  key={entry.version}
                  entry={entry}
                  disabled={!running}
                  onPut={over => void put(entry.kind, over)}
                />
              </RowContext>
            </li>
          ))}
        </ul>
      </main>
    </>
  )
}

function Lamp({
  entry: { fact, changed },
  disabled,
  onPut,
}: {
  entry: LampEntry
  disabled: boolean
  onPut: (over: Partial<LampFigures> | null) => void
}) {
  const say = useSay()

  const { words, rating, powerFactorIfNotPrinted, offLimitMilliamps, dimming } = fact
  return (
    <section aria-label={words}>
      <fieldset
        disabled={disabled}
        className="grid gap-x-4 gap-y-2 rounded-xl bg-sheet p-3 sm:grid-cols-2 sm:p-4 lg:grid-cols-3"
      >
        <TextField
          label={say`Kind of lamp`}
          value={words}
          max={80}
          required
          onCommit={value => onPut({ words: value })}
        />
        <SelectField
          label={say`Counts against the rating for`}
          value={rating}
          options={RATING_KINDS.map(value => ({ value, words: say(RATING_WORDS[value]) }))}
          onCommit={value => onPut({ rating: value })}
        />
        <NumberField
          label={say`Power factor where none is printed`}
          value={powerFactorIfNotPrinted}
          min={0.2}
          max={1}
          onCommit={value => value !== null && onPut({ powerFactorIfNotPrinted: value })}
        />
        <NumberField
          label={say`Dark below (mA)`}
          value={offLimitMilliamps}
          min={0.01}
          max={1000}
          onCommit={value => value !== null && onPut({ offLimitMilliamps: value })}
        />
        <PickOne
          label={say`Can be dimmed`}
          value={dimming}
          options={DIMMING.map(value => ({ value, words: say(DIMMING_WORDS[value]) }))}
          onCommit={value => onPut({ dimming: value })}
        />
        <p className="flex items-end justify-between gap-3">
          <span className="pb-3 tabular-nums">{say`10 W count as ${Math.round(100 / powerFactorIfNotPrinted) / 10} VA`}</span>
          {changed && <Button onClick={() => onPut(null)}>{say`As it came`}</Button>}
        </p>
      </fieldset>
    </section>
  )
}
