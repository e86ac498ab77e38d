import { ROLE_WORDS } from '@/core/words/of-vocabulary'
import type { Next } from '@/core/identify'
import type { BoxView } from '@/core/job/box-view'
import type { Region } from '@/core/model/regions'
import { capital } from '@/core/words/capital'
import { answerWords, endWords } from './question-words'
import { useSay } from '../../words/use-say'

/** Conductors that are named one by one; of more only how many. */
const NAMED = 4

/** What the reading is for: the likeliest way of wiring and its likeliest rival, conductor by conductor. */
export function ToldApart({
  parts: [leader, rival],
  views,
  region,
}: {
  parts: NonNullable<Next['parts']>
  views: readonly BoxView[]
  region: Region
}) {
  const say = useSay()

  const shows = ({ answers }: typeof leader) =>
    answers.map(answer => answerWords(answer, region)).join(' or ')
  const more = leader.roles.length - NAMED
  return (
    <table className="w-full text-left text-sm">
      <caption className="pb-1 text-left font-semibold">{say`What it tells apart`}</caption>
      <thead>
        <tr className="align-top">
          <td />
          {[leader, rival].map((way, at) => (
            <th key={at} scope="col" className="py-1 pr-2 font-semibold">
              {at === 0 ? say`Likeliest` : say`Rival`}
              <span className="block font-normal whitespace-nowrap">{shows(way)}</span>
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {leader.roles.slice(0, NAMED).map(({ endId, role }, at) => (
          <tr key={endId} className="border-t border-rule">
            <th scope="row" className="py-1 pr-2 font-normal">
              {endWords(endId, views)}
            </th>
            <td className="py-1 pr-2">{capital(say(ROLE_WORDS[role]))}</td>
            <td className="py-1 pr-2">{capital(say(ROLE_WORDS[rival.roles[at]!.role]))}</td>
          </tr>
        ))}
      </tbody>
      {more > 0 && (
        <tfoot>
          <tr>
            <td colSpan={3}>{say`and ${more} more`}</td>
          </tr>
        </tfoot>
      )}
    </table>
  )
}
