import type { JobRow } from '@/core/model/entities'
import type { Region } from '@/core/model/regions'
import type { Trade } from '@/core/model/trade'
import { plain } from '../words'
import type { Located } from './located'

/** A part’s name where it does not begin the sentence. */
const inSentence = (part: string) => part.charAt(0).toLowerCase() + part.slice(1)

const longDate = new Intl.DateTimeFormat('en', { dateStyle: 'long', timeZone: 'UTC' })

/** What the customer is told in writing: where, what, why, and what is usually done; to be signed. */
export function Letter({
  job,
  region,
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
  return (
    <article aria-label="What is handed over" className="rounded-lg bg-sheet p-4 sm:p-8 print:p-0">
      <h2 className="text-xl">What was found, and is not part of this work</h2>
      <p className="mt-2">
        {job.name}
        {job.address && `, ${job.address}`}
        <br />
        To {to || '…'}, on <time dateTime={on}>{longDate.format(new Date(`${on}T00:00:00Z`))}</time>
        {job.electrician && <>, from {job.electrician}</>}
        {job.apprentice && <>, with {job.apprentice}</>}
      </p>
      <p className="mt-3">
        While working at these places we found the following. None of it was made by this work, and none of it
        is mended by it unless you ask us to. What is marked as a danger should not wait.
      </p>
      <ol className="mt-3 flex list-decimal flex-col gap-3 pl-6">
        {defects.map(({ defect, view }) => {
          const reason = defect.raised && trade.facts[defect.raised.factId]
          return (
            <li key={`${view.box.id}/${defect.key}`} className="break-inside-avoid">
              <p>
                <strong>
                  {view.room.name}, {view.box.name}. {plain(defect.severity)}:
                </strong>{' '}
                {defect.raised?.toOwner ?? defect.what}.
              </p>
              {reason && <p>Why it matters: {reason.says}</p>}
              {defect.raised && (
                <p>
                  What is usually done: {defect.raised.cure} About {defect.raised.minutes} minutes
                  {defect.raised.parts.length > 0 &&
                    `; needed: ${defect.raised.parts.map(inSentence).join('; ')}`}
                  .
                </p>
              )}
            </li>
          )
        })}
      </ol>
      <p className="mt-4 text-sm">
        These are common rules: local code and the makers’ sheets decide. Work at the {region.words.panel} and
        on fixed wiring belongs in licensed hands where the law asks for it.
      </p>
      <div className="mt-10 grid grid-cols-2 gap-8 text-sm">
        {[`${to || 'Customer'}: I have read this`, job.electrician || 'For the company'].map(who => (
          <p key={who} className="border-t border-ink pt-1">
            {who}
            <span className="block text-soft">Date and signature</span>
          </p>
        ))}
      </div>
    </article>
  )
}
