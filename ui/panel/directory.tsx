import type { JobRecord } from '@/core/model/record'
import type { Region } from '@/core/model/regions'
import { roomsOf, type DirectoryEntry } from '@/core/panel'
import { boxesReadDead } from '@/core/safety'
import { Button } from '../primitives/button'
import { plain } from '../words'
import { useSay } from '../words/use-say'

interface Shown {
  readonly entries: readonly DirectoryEntry[]
  readonly region: Region
  readonly record: JobRecord
}

/** What each label says against what was found, and which breakers hang together. */
export function Directory({ entries, record, onOpen }: Shown & { onOpen: (id: string) => void }) {
  const say = useSay()

  return (
    <div
      className="mt-4 overflow-x-auto rounded-xl bg-sheet"
      tabIndex={0}
      role="region"
      aria-label={say`Circuits`}
      data-chrome
    >
      <table role="table" className="w-full text-left max-sm:block sm:min-w-160">
        <thead role="rowgroup" className="max-sm:sr-only">
          <tr role="row" className="text-sm">
            {[
              say`Breaker`,
              say`Its label`,
              say`Found to feed`,
              say`Label holds`,
              say`Rating`,
              say`Protection`,
            ].map(each => (
              <th key={each} role="columnheader" scope="col" className="px-3 py-2 font-semibold">
                {each}
              </th>
            ))}
          </tr>
        </thead>
        <tbody role="rowgroup" className="max-sm:block">
          {entries.map(entry => (
            <tr
              key={entry.circuit.id}
              role="row"
              className="border-t border-rule align-top hover:bg-tint max-sm:grid max-sm:grid-cols-[auto_1fr] max-sm:py-1.5"
            >
              <th role="rowheader" scope="row" className="px-3 py-1 max-sm:row-span-5">
                <Button
                  onClick={() => onOpen(entry.circuit.id)}
                  aria-label={say`Edit breaker ${entry.circuit.breaker}`}
                  className="tabular-nums"
                >
                  {entry.circuit.breaker}
                </Button>
              </th>
              <td role="cell" className={CELL}>
                {entry.circuit.label ? (
                  <span className="max-sm:font-bold">{entry.circuit.label}</span>
                ) : (
                  <span className="text-soft">{say`no label`}</span>
                )}
                {entry.circuit.note && <span className="block text-sm text-soft">{entry.circuit.note}</span>}
                <Ties entry={entry} />
              </td>
              <td role="cell" className={CELL}>
                <Feeds entry={entry} record={record} />
              </td>
              <td role="cell" className={CELL}>
                <span className="text-sm text-soft sm:hidden">{say`Label holds`} </span>
                {entry.circuit.labelHolds === 'no' ? (
                  <strong className="hazard px-2">{say`Wrong`}</strong>
                ) : (
                  say(plain(entry.circuit.labelHolds))
                )}
              </td>
              <td role="cell" className={`${CELL} whitespace-nowrap`}>
                {say`${entry.circuit.ratedAmps} A`}
                {entry.circuit.poles > 1 && say`, ${entry.circuit.poles} poles`}
              </td>
              <td role="cell" className={CELL}>
                {say(plain(entry.circuit.protection))}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {entries.length === 0 && <p className="p-4">{say`No circuits yet.`}</p>}
    </div>
  )
}

/** On a phone a row is a block: its cells below each other, beside the breaker. */
const CELL = 'px-3 py-3 max-sm:py-0.5'

/** What was found to be on it, what was read dead with it off, and what only its label puts there. */
function Feeds({ entry: { circuit, says, labelled }, record }: { entry: DirectoryEntry; record: JobRecord }) {
  const say = useSay()

  const dead = boxesReadDead(record, circuit.id)
  const rest = labelled.filter(({ id }) => !dead.some(each => each.id === id))
  return (
    <>
      {says}
      {dead.length > 0 && (
        <span className="block">{say`read dead with it off: ${roomsOf(record, dead).join(', ')}`}</span>
      )}
      {rest.length > 0 && (
        <span className="block text-sm text-soft">{say`by its label only: ${roomsOf(record, rest).join(', ')}`}</span>
      )}
      {says === null && labelled.length === 0 && <span className="text-soft">{say`nothing yet`}</span>}
    </>
  )
}

/** Breakers that go off together, or should. */
function Ties({ entry: { shares } }: { entry: DirectoryEntry }) {
  const say = useSay()

  return shares.map(({ circuit, oneHandle }) => (
    <span key={circuit.id} className="mt-1 flex items-center gap-2 text-sm font-semibold">
      <svg width="14" height="20" viewBox="0 0 14 20" aria-hidden="true" className="shrink-0">
        <path
          d="M3 4 h7 v12 h-7"
          fill="none"
          stroke="currentColor"
          strokeWidth="2"
          strokeDasharray={oneHandle ? undefined : '2 2.5'}
        />
      </svg>
      <span
        className={oneHandle ? '' : 'hazard px-2'}
      >{say`one neutral with ${circuit.breaker}, ${oneHandle ? say`one handle` : say`no common handle: both off`}`}</span>
    </span>
  ))
}

/** The card for the panel’s door: what was found; what only a label says is marked as such. */
export function PrintedDirectory({
  entries,
  record,
  printedOn,
}: Shown & {
  /** The day, in words. */
  printedOn: string
}) {
  const say = useSay()

  return (
    <div className="hidden print:block">
      <h2 className="text-lg">{say`${record.job.name}: panel directory`}</h2>
      <p className="text-sm">{say`As of ${printedOn}`}</p>
      <table className="mt-3 w-full border-collapse text-left">
        <thead>
          <tr>
            {[say`Breaker`, say`Feeds`, say`Rating`].map(each => (
              <th key={each} scope="col" className="border border-ink px-2 py-1">
                {each}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {entries.map(({ circuit, says, shares }) => (
            <tr key={circuit.id} className="break-inside-avoid">
              <th scope="row" className="border border-ink px-2 py-1 tabular-nums">
                {circuit.breaker}
              </th>
              <td className="border border-ink px-2 py-1">
                {says ?? (circuit.label ? say`${circuit.label} (by its label only)` : '')}
                {shares.map(each => say` · one neutral with ${each.circuit.breaker}`)}
              </td>
              <td className="border border-ink px-2 py-1">{say`${circuit.ratedAmps} A`}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  )
}
