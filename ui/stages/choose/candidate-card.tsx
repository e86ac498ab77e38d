import { useState, type ReactNode } from 'react'
import type { Cure, Lacking, Line, Verdict } from '@/core/check'
import type { BoxView, PlaceView } from '@/core/job/box-view'
import type { Edit } from '@/core/job/command'
import { figure } from '@/core/model/units'
import type { Edits } from '../../job/provider'
import { Button } from '../../primitives/button'
import { CheckField } from '../../primitives/fields'
import { VERDICT_WORDS, VerdictMark } from '../../primitives/marks'
import { Lacks, WaysOut, Why } from './lines'
import { useSay } from '../../words/use-say'

/** What was judged of a device, or of a set of them. */
export interface Judged {
  readonly verdict: Verdict
  readonly unmet: readonly Lacking[]
  readonly cures: readonly Cure[]
  readonly settledBy: readonly string[]
}

/** One that can be chosen: its verdict, what speaks against it, the ways out, and why. */
export function CandidateCard({
  view,
  name,
  title = name,
  judged: { verdict, unmet, cures, settledBy },
  price,
  minutes,
  lines,
  chosen,
  onChoose,
  onLetGo,
  beside,
  onBeside,
  onBypass,
  children,
}: {
  view: BoxView
  /** Of all that is chosen with it. */
  name: string
  title?: string
  judged: Judged
  price: number
  minutes: number
  /** Every condition, each once. */
  lines: readonly Line[]
  chosen: boolean
  onChoose: () => void
  onLetGo: () => void
  beside: boolean
  onBeside: () => void
  /** A bypass beside the lamps is wanted. */
  onBypass: () => void
  children: ReactNode
}) {
  const say = useSay()

  const [asking, setAsking] = useState(false)
  const unfit = verdict === 'does-not-fit'
  return (
    <article
      aria-label={name}
      data-verdict={verdict}
      className={`rounded-lg border bg-paper p-3 ${chosen ? 'border-[3px] border-plum' : 'border-rule'}`}
    >
      <div className="flex items-start gap-3">
        <VerdictMark verdict={verdict} />
        <div className="min-w-0 flex-1">
          <h3 className="leading-tight font-bold">{title}</h3>
          <p className="text-sm">
            <strong>{say(VERDICT_WORDS[verdict])}</strong>
            {say` · ${figure(price, 2)} ${view.region.currency} · ${minutes} min`}
          </p>
        </div>
        <Button
          look={chosen ? 'plain' : 'main'}
          onClick={chosen ? onLetGo : unfit ? () => setAsking(true) : onChoose}
          aria-pressed={chosen}
        >
          {chosen ? (unfit ? say`Chosen, does not fit` : say`Chosen`) : say`Choose`}
        </Button>
      </div>
      {asking && !chosen && (
        <div role="alert" className="hazard mt-2 flex flex-wrap items-center gap-2 bg-sheet p-3">
          <p className="w-full font-semibold">{say`It does not fit: ${lines.find(each => each.verdict === 'does-not-fit')?.says ?? say`see why below`}`}</p>
          <Button
            onClick={() => {
              setAsking(false)
              onChoose()
            }}
          >{say`Choose it all the same`}</Button>
          <Button look="main" onClick={() => setAsking(false)}>{say`Leave it`}</Button>
        </div>
      )}
      {children}
      <Lacks unmet={unmet} />
      {verdict !== 'fits' && (
        <WaysOut view={view} cures={cures} settledBy={settledBy} lines={lines} onBypass={onBypass} />
      )}
      <CheckField label={say`Side by side`} value={beside} onCommit={onBeside} />
      <Why lines={lines} />
    </article>
  )
}

/** A bypass wanted beside the lamps of the lights of some places. */
export const bypassOf = (edits: Edits, places: readonly PlaceView[]): Edit[] =>
  [...new Set(places.map(({ group }) => group.id))].map(id =>
    edits.change('groups', id, { bypass: 'to-be-fitted' }),
  )
