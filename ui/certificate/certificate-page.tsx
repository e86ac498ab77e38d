'use client'

import { Link } from '../job/link'
import { testsOfCircuit, type TestOfCircuit } from '@/core/certificate'
import type { Breaker } from '@/core/model/entities'
import { rowsOf } from '@/core/model/record'
import { useJob, useTrade } from '../job/provider'
import { Button } from '../primitives/button'
import { useRunning } from '../browser/use-running'
import { useDates } from '../words/use-dates'
import { useSay } from '../words/use-say'
import { limitWords, runOf, shownWords, TEST_VERDICT_WORDS } from './words'
import { byPosition } from '@/core/model/ties'

/** What every circuit was tested for, to be printed and signed. */
export function CertificatePage() {
  const say = useSay()
  const { record } = useJob()
  const trade = useTrade()
  const circuits = [...rowsOf(record, 'circuits')].sort(byPosition)
  const all = circuits.map(circuit => ({ circuit, tests: testsOfCircuit(record, circuit, trade) }))
  const count = (verdict: TestOfCircuit['verdict']) =>
    all.flatMap(({ tests }) => tests).filter(each => each.verdict === verdict).length
  return (
    <>
      <div className="flex flex-wrap items-end justify-between gap-3 pt-5">
        <div>
          <h1 className="text-2xl">{say`Circuit tests`}</h1>
          <p className="text-soft">
            {[record.job.name, record.job.address].filter(Boolean).join(', ')} ·{' '}
            {say`${count('holds')} as they should be, ${count('fails')} not, ${count('open')} not taken yet`}
          </p>
        </div>
        <div className="flex flex-wrap items-center gap-2" data-chrome>
          <Link
            href={`/jobs/${record.job.id}/panel`}
            className="inline-flex min-h-11 items-center px-2 font-semibold underline underline-offset-4"
          >{say`Taken at each circuit`}</Link>
          <Button look="main" onClick={() => window.print()}>{say`Print`}</Button>
        </div>
      </div>
      {circuits.length === 0 && <p className="mt-4">{say`No circuits yet.`}</p>}
      {all.map(({ circuit, tests }) => (
        <CircuitTable key={circuit.id} circuit={circuit} tests={tests} />
      ))}
      <p className="mt-6 text-sm">{say`Limits are common rules: local code and the makers’ sheets decide. Whoever tests answers for it with their name, where the law asks for licensed hands.`}</p>
      <dl className="mt-6 grid max-w-xl grid-cols-[auto_1fr] items-end gap-x-4 gap-y-6">
        <dt>{say`Name`}</dt>
        <dd className="border-b-[1.5px] border-ink">{record.job.electrician}</dd>
        <dt>{say`Date and signature`}</dt>
        <dd className="min-h-7 border-b-[1.5px] border-ink" />
      </dl>
    </>
  )
}

/** Columns that a phone has no room for: what they say stands under the test. */
const WIDE = 'hidden sm:table-cell print:table-cell'

function CircuitTable({ circuit, tests }: { circuit: Breaker; tests: readonly TestOfCircuit[] }) {
  const say = useSay()
  const dates = useDates()
  const running = useRunning()
  const { record } = useJob()
  const limitOf = (test: TestOfCircuit) =>
    [limitWords(say, test), test.row && runOf(record, test.row)].filter(Boolean).join(', ')
  const takenBy = ({ row }: TestOfCircuit) =>
    row ? [row.takenBy, running ? dates.day.format(new Date(row.at)) : ''].filter(Boolean).join(', ') : ''
  return (
    <div
      className="mt-5 overflow-x-auto rounded-xl bg-sheet p-4 print:break-inside-avoid print:p-0"
      tabIndex={0}
      role="region"
      aria-label={say`Tests of circuit ${circuit.breaker}`}
    >
      <table className="w-full text-left text-sm">
        <caption className="pb-2 text-left text-base font-bold">
          {say`Breaker ${circuit.breaker}`}
          {circuit.label && `: ${circuit.label}`}, {circuit.ratedAmps} A
        </caption>
        <thead>
          <tr className="border-b-2 border-ink">
            {(
              [
                [say`Test`, ''],
                [say`Limit`, WIDE],
                [say`It shows`, ''],
                [say`Verdict`, ''],
                [say`Instrument`, WIDE],
                [say`Taken by`, WIDE],
              ] as const
            ).map(([each, where]) => (
              <th key={each} scope="col" className={`py-1 pr-3 ${where}`}>
                {each}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {tests.map(test => (
            <tr
              key={test.rule.kind}
              className={`border-b border-rule align-top ${test.verdict === 'fails' ? 'hazard' : ''}`}
            >
              <th scope="row" className="py-1 pr-3 font-normal">
                {say(test.rule.says)}
                <span className="block text-soft sm:hidden print:hidden">
                  {[limitOf(test), test.row?.instrument ?? '', takenBy(test)].filter(Boolean).join(' · ')}
                </span>
              </th>
              <td className={`py-1 pr-3 tabular-nums ${WIDE}`}>{limitOf(test) || '–'}</td>
              <td className="py-1 pr-3 font-semibold tabular-nums">{shownWords(say, test) || '–'}</td>
              <td className="py-1 pr-3">{say(TEST_VERDICT_WORDS[test.verdict])}</td>
              <td className={`py-1 pr-3 ${WIDE}`}>{test.row?.instrument || '–'}</td>
              <td className={`py-1 pr-3 ${WIDE}`}>{takenBy(test) || '–'}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  )
}
