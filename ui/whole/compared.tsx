import { figure } from '@/core/model/units'
import { PROPOSALS, type ProposalKind, type Proposed, type Totals } from '@/core/whole'
import { Button } from '../primitives/button'
import type { Proposals } from './use-proposals'
import { PROPOSAL_WORDS, TOTAL_WORDS } from './words'
import { useSay } from '../words/use-say'
import { type Say } from '@/core/words/say'

const ROWS: readonly (keyof Totals)[] = ['price', 'minutes', 'changes', 'kinds', 'systems', 'mixedRooms']

const proposalOf = (proposed: Proposed | undefined) =>
  proposed?.kind === 'proposed' ? proposed.proposal : null

/** The proposals side by side, figure by figure, the least of each row in bold. */
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
  const say = useSay()

  const kinds = PROPOSALS.filter(kind => proposalOf(found[kind]))
  const figures = (row: keyof Totals) => kinds.map(kind => proposalOf(found[kind])!.totals[row])
  return (
    <div className="rounded-xl bg-sheet p-1 sm:p-3">
      <table className="w-full table-fixed border-collapse max-sm:text-sm">
        <caption className="sr-only">{say`The proposals side by side`}</caption>
        <thead>
          <tr>
            <th scope="col" className="p-2 text-left">
              <span className="sr-only">{say`Figure`}</span>
            </th>
            {kinds.map(kind => (
              <th key={kind} scope="col" className="p-1 text-left align-bottom">
                <button
                  type="button"
                  aria-pressed={kind === shown}
                  onClick={() => onShow(kind)}
                  className="min-h-11 w-full rounded-lg border-[1.5px] border-rule px-1 text-left sm:px-3 font-bold aria-pressed:border-plum aria-pressed:bg-plum aria-pressed:text-on-plum"
                >
                  {say(PROPOSAL_WORDS[kind])}
                </button>
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {ROWS.map(row => {
            const least = Math.min(...figures(row))
            return (
              <tr key={row} className="border-t border-rule">
                <th scope="row" className="p-1 text-left font-normal sm:p-2">
                  {say(TOTAL_WORDS[row])}
                </th>
                {kinds.map(kind => {
                  const value = proposalOf(found[kind])!.totals[row]
                  return (
                    <td key={kind} className="p-1 tabular-nums sm:p-2">
                      <span className={value === least ? 'font-bold' : ''}>
                        {row === 'price' ? `${figure(value, 2)} ${currency}` : figure(value, 0)}
                      </span>
                    </td>
                  )
                })}
              </tr>
            )
          })}
          <tr className="border-t border-rule">
            <th scope="row" className="p-1 text-left font-normal sm:p-2">{say`From the best there is`}</th>
            {kinds.map(kind => (
              <td key={kind} className="p-1 tabular-nums sm:p-2">
                {gapWords(say, proposalOf(found[kind])!.gap)}
              </td>
            ))}
          </tr>
          <tr>
            <td />
            {kinds.map(kind => (
              <td key={kind} className="p-1">
                <Button
                  look={kind === shown ? 'main' : 'plain'}
                  aria-label={say`Take it over: ${say(PROPOSAL_WORDS[kind])}`}
                  onClick={() => onTake(kind)}
                >{say`Take it over`}</Button>
              </td>
            ))}
          </tr>
        </tbody>
      </table>
    </div>
  )
}

const gapWords = (say: Say, gap: number) =>
  gap < 1e-4 ? say`none is better` : say`at most ${figure(gap * 100, 1)} %`
