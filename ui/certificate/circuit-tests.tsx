'use client'

import { holdsBeforeTest, testsOfCircuit, type TestOfCircuit } from '@/core/certificate'
import { ENTITIES, type Breaker, type CircuitTestRow } from '@/core/model/entities'
import { measuresOf, type Measures } from '@/core/model/measures'
import { rowsOf, rowsWith } from '@/core/model/record'
import { feetFrom, metresFrom, rounded } from '@/core/model/units'
import { newId } from '../job/new-id'
import { useEdits, useJob, useTrade } from '../job/provider'
import { Button } from '../primitives/button'
import { FigureField } from '../primitives/figure-field'
import { NumberField, TextField } from '../primitives/fields'
import { useState } from 'react'
import { useSay } from '../words/use-say'
import { beyondWords, limitWords, runOf, shownWords, TEST_VERDICT_WORDS } from './words'

const { min: LEAST_METRES, max: MOST_METRES } = ENTITIES.circuitTests.metres

/** The tests of one circuit, dead ones first: each with what it is to show, and what was shown last. */
export function CircuitTests({ circuit }: { circuit: Breaker }) {
  const say = useSay()
  const { record } = useJob()
  const trade = useTrade()
  const edits = useEdits(null)
  const said = rowsWith(record, 'circuitTests', 'circuitId', circuit.id).filter(row => row.metres !== null)
  const [metres, setMetres] = useState(said.at(-1)?.metres ?? null)
  const tests = testsOfCircuit(record, circuit, trade, metres)
  const isSoLong = (long: number | null) => {
    setMetres(long)
    const taken = tests.flatMap(({ rule, row }) => (row && rule.most === 'by-length' ? [row] : []))
    edits.send(
      'test a circuit',
      taken.map(({ id }) => edits.change('circuitTests', id, { metres: long })),
    )
  }
  // With what, and by whom, as it was last: said once, and kept until it is said anew.
  const last = rowsOf(record, 'circuitTests').at(-1)
  const [instrument, setInstrument] = useState(last?.instrument ?? '')
  const [takenBy, setTakenBy] = useState(last?.takenBy ?? record.job.electrician)
  return (
    <section aria-label={say`Tests of circuit ${circuit.breaker}`} className="flex flex-col gap-3">
      <p className="text-sm">{say`Dead first: the circuit off and locked, read dead, and lamps and electronics off it before its insulation is tested. Limits are common rules: local code comes first.`}</p>
      {circuit.protection === 'not-known' && (
        <p className="hazard px-3 py-2 text-sm font-semibold">{say`Whether its protection trips on a leak is not said: say it above, and its tests stand here.`}</p>
      )}
      <div className="grid gap-3 sm:grid-cols-2">
        <TextField label={say`Instrument`} value={instrument} max={80} onCommit={setInstrument} />
        <TextField label={say`Taken by`} value={takenBy} max={80} onCommit={setTakenBy} />
        <RunField measures={measuresOf(record)} metres={metres} onCommit={isSoLong} />
      </div>
      <ol className="flex flex-col gap-3">
        {tests.map(test => (
          <li key={test.rule.kind} className="rounded-lg border border-rule p-3">
            <Test
              circuit={circuit}
              test={test}
              by={{ instrument, takenBy, metres: test.rule.most === 'by-length' ? metres : null }}
            />
          </li>
        ))}
      </ol>
    </section>
  )
}

/** How long the run is that is read from end to end, in what is measured in there. */
function RunField({
  measures,
  metres,
  onCommit,
}: {
  measures: Measures
  metres: number | null
  onCommit: (metres: number | null) => void
}) {
  const say = useSay()
  const inFeet = measures !== 'metric'
  return (
    <NumberField
      label={say`Length of the run, one way`}
      hint={say`What its conductors may show at most follows from it: without it a poor joint can stay unseen.`}
      unit={inFeet ? 'ft' : 'm'}
      value={metres === null ? null : rounded(inFeet ? feetFrom(metres) : metres, 1)}
      min={inFeet ? 1 : LEAST_METRES}
      max={inFeet ? 3000 : MOST_METRES}
      nullable
      onCommit={said => onCommit(said === null || !inFeet ? said : rounded(metresFrom(said), 2))}
    />
  )
}

function Test({
  circuit,
  test,
  by,
}: {
  circuit: Breaker
  test: TestOfCircuit
  by: Pick<CircuitTestRow, 'instrument' | 'takenBy' | 'metres'>
}) {
  const say = useSay()
  const edits = useEdits(null)
  const { record } = useJob()
  const { rule, row, verdict } = test
  const holds = holdsBeforeTest(record, circuit, rule)
  const take = (value: number | null, shows: 'as-it-should' | 'not-so' | null) =>
    edits.send('test a circuit', [
      edits.add('circuitTests', {
        id: newId(),
        circuitId: circuit.id,
        kind: rule.kind,
        value,
        shows,
        ...by,
      }),
    ])
  const limit = limitWords(say, test)
  return (
    <>
      <p className="font-semibold">{say(rule.says)}</p>
      <p className="text-sm text-soft">
        {say(rule.how)} {limit && <strong className="text-ink">{limit}.</strong>}
      </p>
      {row !== null && (
        <p
          className={`my-2 flex flex-wrap items-center gap-3 ${verdict === 'fails' ? 'hazard px-3 py-2' : ''}`}
        >
          <strong className="tabular-nums">
            {shownWords(say, test)}: {say(TEST_VERDICT_WORDS[verdict])}
          </strong>
          <span className="text-sm text-soft">
            {[row.takenBy, row.instrument, runOf(record, row)].filter(Boolean).join(', ')}
          </span>
          <Button
            look="quiet"
            aria-label={say`Take it back: ${say(rule.says)}`}
            onClick={() =>
              edits.send('take back a test of a circuit', [edits.remove('circuitTests', row.id)])
            }
          >{say`Take it back`}</Button>
        </p>
      )}
      {holds.length > 0 ? (
        <p className="mt-2 text-sm font-semibold">{say`Not yet: ${holds.join('; ')}.`}</p>
      ) : (
        <div className="mt-2 flex flex-wrap items-end gap-3" role="group" aria-label={say(rule.says)}>
          {rule.unit === null ? (
            <>
              <Button look="main" onClick={() => take(null, 'as-it-should')}>{say`As it should`}</Button>
              <Button onClick={() => take(null, 'not-so')}>{beyondWords(say, rule.unit)}</Button>
            </>
          ) : (
            <>
              <FigureField
                label={say`It shows (${rule.unit})`}
                most={100_000}
                onRead={value => take(value, null)}
              />
              <Button onClick={() => take(null, 'not-so')}>{beyondWords(say, rule.unit)}</Button>
            </>
          )}
        </div>
      )}
    </>
  )
}
