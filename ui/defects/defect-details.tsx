import type { ListedDefect } from '@/core/check'
import { plain } from '../words'
import type { Trade } from '@/core/model/trade'
import { useSay } from '../words/use-say'

/** Why it is one, what is usually done, with what, and how long that takes. */
export function DefectDetails({ defect: { raised, row }, trade }: { defect: ListedDefect; trade: Trade }) {
  const say = useSay()

  const reason = raised && trade.facts[raised.factId]
  const lines: readonly (readonly [string, string])[] = [
    ...(reason ? [[say`Why`, `${say(reason.says)} (${say(reason.source)})`] as const] : []),
    ...(raised ? [[say`Usual cure`, raised.cure] as const] : []),
    ...(raised && raised.parts.length > 0 ? [[say`Parts`, raised.parts.map(plain).join('; ')] as const] : []),
    ...(raised ? [[say`Time`, say`about ${raised.minutes} min`] as const] : []),
    ...(row?.note ? [[say`Note`, row.note] as const] : []),
  ]
  if (lines.length === 0) return null
  return (
    <dl className="grid grid-cols-[auto_1fr] gap-x-3 gap-y-1">
      {lines.map(([name, says]) => (
        <div key={name} className="contents">
          <dt className="text-sm leading-6 font-semibold">{name}</dt>
          <dd className="min-w-0">{says}</dd>
        </div>
      ))}
    </dl>
  )
}
