import { figure } from '@/core/model/units'
import { stepBetween, type LightChoices, type Proposal, type ProposalKind, type Totals } from '@/core/whole'
import { useSay } from '../words/use-say'
import type { Say } from '@/core/words/say'
import { useNames } from './use-names'
import { PROPOSAL_WORDS, TOTAL_WORDS } from './words'

/** What each other proposal buys beside the first: light by light, and what comes of it. */
export function StepsBetween({
  lights,
  proposals,
  currency,
}: {
  lights: readonly LightChoices[]
  proposals: readonly (readonly [ProposalKind, Proposal])[]
  currency: string
}) {
  const say = useSay()

  const nameOf = useNames()
  const [[firstKind, first], ...others] = proposals as [readonly [ProposalKind, Proposal]]
  return (
    <ul aria-label={say`What each step buys`} className="flex flex-col gap-3 rounded-xl bg-sheet p-3">
      {(others as (readonly [ProposalKind, Proposal])[]).map(([kind, other]) => {
        const { lights: differing, change } = stepBetween(lights, first, other)
        const title = say`From ${say(PROPOSAL_WORDS[firstKind]).toLowerCase()} to ${say(PROPOSAL_WORDS[kind]).toLowerCase()}`
        return (
          <li key={kind}>
            <p className="font-bold">
              {title}: {differing.length === 0 ? say`the same` : changeWords(say, change, currency)}
            </p>
            <ul className="text-sm">
              {differing.map(({ groupId, from, to, dearerBy }) => {
                const light = lights.find(each => each.groupId === groupId)!
                return (
                  <li key={groupId}>
                    {say`${light.name}: ${nameOf(to, light)} in place of ${nameOf(from, light)}`}{' '}
                    <span className="tabular-nums text-soft">
                      {signed(dearerBy)} {currency}
                    </span>
                  </li>
                )
              })}
            </ul>
          </li>
        )
      })}
    </ul>
  )
}

const changeWords = (say: Say, change: Totals, currency: string): string =>
  (Object.keys(TOTAL_WORDS) as (keyof Totals)[])
    .filter(key => Math.abs(change[key]) > 1e-9)
    .map(key =>
      key === 'price'
        ? `${signed(change.price)} ${currency}`
        : `${say(TOTAL_WORDS[key]).toLowerCase()} ${signed(change[key])}`,
    )
    .join(', ')

const signed = (value: number) => `${value < 0 ? '−' : '+'}${figure(Math.abs(value), 2)}`
