import type { JobRow } from '@/core/model/entities'
import type { Region } from '@/core/model/regions'
import type { Trade } from '@/core/model/trade'
import { plain } from '../words'
import type { Located } from './located'
import { useDates } from '../words/use-dates'
import { useSay } from '../words/use-say'

/** A part’s name where it does not begin the sentence. */
const inSentence = (part: string) => part.charAt(0).toLowerCase() + part.slice(1)

/** What the customer is told in writing: where, what, why, and what is usually done; to be signed. */
export function Letter({
  job,
  trade,
  to,
  on,
  defects,
}: {
  job: JobRow
  region: Region
  trade: Trade
  to: string
  /** YYYY-MM-DD. */
  on: string
  defects: readonly Located[]
}) {
  const say = useSay()
  const dates = useDates()

  return (
    <article aria-label={say`What is handed over`} className="rounded-lg bg-sheet p-4 sm:p-8 print:p-0">
      <h2 className="text-xl">{say`What was found, and is not part of this work`}</h2>
      <p className="mt-2">
        {job.name}
        {job.address && `, ${job.address}`}
        <br />
        {say`To ${to || '…'}, on `}
        <time dateTime={on}>{dates.longDay.format(new Date(`${on}T12:00:00`))}</time>
        {job.electrician && <>{say`, from ${job.electrician}`}</>}
        {job.apprentice && <>{say`, with ${job.apprentice}`}</>}
      </p>
      <p className="mt-3">{say`While working at these places we found the following. None of it was made by this work, and none of it is mended by it unless you ask us to. What is marked as a danger should not wait.`}</p>
      <ol className="mt-3 flex list-decimal flex-col gap-3 pl-6">
        {defects.map(({ defect, view }) => {
          const reason = defect.raised && trade.facts[defect.raised.factId]
          return (
            <li key={`${view.box.id}/${defect.key}`} className="break-inside-avoid">
              <p>
                <strong>
                  {view.room.name}, {view.box.name}. {say(plain(defect.severity))}:
                </strong>{' '}
                {defect.raised?.toOwner ?? defect.what}.
              </p>
              {reason && <p>{say`Why it matters: ${say(reason.says)}`}</p>}
              {defect.raised && (
                <p>
                  {say.count(
                    defect.raised.minutes,
                    'What is usually done: {0} About # minute',
                    'What is usually done: {0} About # minutes',
                    defect.raised.cure,
                  )}
                  {defect.raised.parts.length > 0 &&
                    say`; needed: ${defect.raised.parts.map(inSentence).join('; ')}`}
                  .
                </p>
              )}
            </li>
          )
        })}
      </ol>
      <p className="mt-4 text-sm">{say`These are common rules: local code and the makers’ sheets decide. Work at the panel and on fixed wiring belongs in licensed hands where the law asks for it.`}</p>
      <div className="mt-10 grid grid-cols-2 gap-8 text-sm">
        {[say`${to || say`Customer`}: I have read this`, job.electrician || say`For the company`].map(who => (
          <p key={who} className="border-t border-ink pt-1">
            {who}
            <span className="block text-soft">{say`Date and signature`}</span>
          </p>
        ))}
      </div>
    </article>
  )
}
