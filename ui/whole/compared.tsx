import { figure } from '@/core/model/units'
import { PROPOSALS, type ProposalKind, type Proposed, type Totals } from '@/core/whole'
import { Button } from '../primitives/button'
import type { Proposals } from './use-proposals'
import { PROPOSAL_WORDS, TOTAL_WORDS } from './words'

const ROWS: readonly (keyof Totals)[] = ['price', 'minutes', 'changes', 'kinds', 'systems', 'mixedRooms']

const proposalOf = (proposed: Proposed | undefined) =>
  proposed?.kind === 'proposed' ? proposed.proposal : null

/** The proposals side by side, figure by figure, each with a bar beside the largest of its row. */
export function Compared({
  found,
  shown,
  currency,
  onShow,
  onTake,
}: {
  found: Proposals
  shown: ProposalKind
  currency: string
  onShow: (kind: ProposalKind) => void
  onTake: (kind: ProposalKind) => void
}) {
  const kinds = PROPOSALS.filter(kind => proposalOf(found[kind]))
  const figures = (row: keyof Totals) => kinds.map(kind => proposalOf(found[kind])!.totals[row])
  return (
    <div className="overflow-x-auto rounded-xl bg-sheet p-3">
      <table className="w-full min-w-[34rem] border-collapse">
        <caption className="sr-only">The proposals side by side</caption>
        <thead>
          <tr>
            <th scope="col" className="p-2 text-left">
              <span className="sr-only">Figure</span>
            </th>
            {kinds.map(kind => (
              <th key={kind} scope="col" className="p-1 text-left align-bottom">
                <button
                  type="button"
                  aria-pressed={kind === shown}
                  onClick={() => onShow(kind)}
                  className="min-h-11 w-full rounded-lg border-[1.5px] border-rule px-3 text-left font-bold aria-pressed:border-plum aria-pressed:bg-plum aria-pressed:text-on-plum"
                >
                  {PROPOSAL_WORDS[kind]}
                </button>
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {ROWS.map(row => {
            const most = Math.max(1e-9, ...figures(row))
            const least = Math.min(...figures(row))
            return (
              <tr key={row} className="border-t border-rule">
                <th scope="row" className="p-2 text-left font-normal">
                  {TOTAL_WORDS[row]}
                </th>
                {kinds.map(kind => {
                  const value = proposalOf(found[kind])!.totals[row]
                  return (
                    <td key={kind} className="p-2 tabular-nums">
                      <span className={value === least ? 'font-bold' : ''}>
                        {row === 'price' ? `${figure(value, 2)} ${currency}` : figure(value, 0)}
                      </span>
                      <span aria-hidden="true" className="mt-1 block h-2 rounded border border-ink/60">
                        <span
                          className="block h-full bg-ink/75"
                          style={{ width: `${(value / most) * 100}%` }}
                        />
                      </span>
                    </td>
                  )
                })}
              </tr>
            )
          })}
          <tr className="border-t border-rule">
            <th scope="row" className="p-2 text-left font-normal">
              From the best there is
            </th>
            {kinds.map(kind => (
              <td key={kind} className="p-2 tabular-nums">
                {gapWords(proposalOf(found[kind])!.gap)}
              </td>
            ))}
          </tr>
          <tr>
            <td />
            {kinds.map(kind => (
              <td key={kind} className="p-1">
                <Button
                  look={kind === shown ? 'main' : 'plain'}
                  aria-label={`Take it over: ${PROPOSAL_WORDS[kind]}`}
                  onClick={() => onTake(kind)}
                >
                  Take it over
                </Button>
              </td>
            ))}
          </tr>
        </tbody>
      </table>
    </div>
  )
}

const gapWords = (gap: number) => (gap < 1e-4 ? 'none is better' : `at most ${figure(gap * 100, 1)} %`)
