import { useState, type ReactNode } from 'react'
import type { Cure, Lacking, Line, Verdict } from '@/core/check'
import type { BoxView, PlaceView } from '@/core/job/box-view'
import type { Edit } from '@/core/job/command'
import { figure } from '@/core/model/units'
import type { Edits } from '../../job/provider'
import { lackingWords } from '../../needs/words'
import { Button } from '../../primitives/button'
import { CheckField } from '../../primitives/fields'
import { VERDICT_WORDS, VerdictMark } from '../../primitives/marks'
import { Facts, Lacks, Margin, WaysOut } from './lines'
import { useSay } from '../../words/use-say'
import type { Say } from '@/core/words/say'

/** So many alike but for one thing, and the choice between them. */
export interface AlikeShown {
  readonly count: number
  readonly by: string
  readonly choice: ReactNode
}

/** What was judged of a device, or of a set of them. */
export interface Judged {
  readonly verdict: Verdict
  readonly unmet: readonly Lacking[]
  readonly cures: readonly Cure[]
  readonly settledBy: readonly string[]
}

/** One that can be chosen, as a row: its verdict, its least margin, what speaks against it; all of it and why at a press. */
export function CandidateCard({
  view,
  name,
  title = name,
  kind = null,
  judged: { verdict, unmet, cures, settledBy },
  price,
  minutes,
  lines,
  chosen,
  isNext,
  onChoose,
  onLetGo,
  beside,
  onBeside,
  onBypass,
  onPoint,
  alike,
  children,
}: {
  view: BoxView
  /** Of all that is chosen with it. */
  name: string
  title?: string
  /** In what way several go together. */
  kind?: string | null
  judged: Judged
  price: number
  minutes: number
  /** Every condition, each once. */
  lines: readonly Line[]
  chosen: boolean
  /** The first to be thought of, where nothing has to be found out before. */
  isNext: boolean
  onChoose: () => void
  onLetGo: () => void
  beside: boolean
  onBeside: () => void
  /** A bypass beside the lamps is wanted. */
  onBypass: () => void
  /** It is pointed at, or no more. */
  onPoint: (isPointedAt: boolean) => void
  /** Others that differ in one thing, to be shown in its place; null where there are none. */
  alike: AlikeShown | null
  children: ReactNode
}) {
  const say = useSay()

  const [asking, setAsking] = useState(false)
  const [open, setOpen] = useState(false)
  const unfit = verdict === 'does-not-fit'
  const first = firstAgainst(say, lines, unmet)
  return (
    <article
      aria-label={name}
      data-verdict={verdict}
      data-next={isNext || (chosen && unfit) ? name : undefined}
      onPointerEnter={({ pointerType }) => pointerType === 'mouse' && onPoint(true)}
      onPointerLeave={({ pointerType }) => pointerType === 'mouse' && onPoint(false)}
      onFocus={() => onPoint(true)}
      onBlur={() => onPoint(false)}
      className={`rounded-lg border bg-paper px-2 py-1 sm:px-3 ${chosen ? 'border-[3px] border-plum' : 'border-rule'}`}
    >
      <div className="grid grid-cols-[auto_minmax(0,1fr)_auto] items-center gap-x-2 sm:grid-cols-[auto_minmax(0,1fr)_5rem_auto_auto] sm:gap-x-3">
        <VerdictMark verdict={verdict} />
        <div className="relative flex min-h-11 min-w-0 flex-col justify-center">
          <h3 className={`text-base leading-tight font-bold ${open ? '' : 'line-clamp-2'}`}>
            <span aria-hidden="true" className={`mr-1 inline-block text-xs ${open ? 'rotate-90' : ''}`}>
              ▶
            </span>
            {title}
          </h3>
          <p className={`text-sm leading-snug ${open ? '' : 'line-clamp-1'}`}>
            <strong>{say(VERDICT_WORDS[verdict])}</strong>
            {say` · ${figure(price, 2)} ${view.region.currency} · ${minutes} min`}
            {kind !== null && say` · ${kind}`}
            {first !== null && !open && <span className="text-soft"> · {first}</span>}
          </p>
          {alike !== null && !open && (
            <p className="text-sm leading-snug text-soft">{say`${alike.count}, alike but for ${alike.by}`}</p>
          )}
          <button
            aria-expanded={open}
            aria-label={say`Why? ${name}`}
            title={title}
            onClick={() => setOpen(!open)}
            className="absolute inset-0 rounded"
          />
        </div>
        <span className="max-sm:hidden">
          <Margin lines={lines} />
        </span>
        <span
          className={`flex items-center max-sm:order-last max-sm:col-span-3 ${open ? '' : 'max-sm:hidden'}`}
        >
          <CheckField label={say`Side by side`} labelHidden value={beside} onCommit={onBeside} />
        </span>
        <Button
          look={chosen ? 'plain' : 'main'}
          onClick={chosen ? onLetGo : unfit ? () => setAsking(true) : onChoose}
          aria-pressed={chosen}
        >
          {chosen ? (unfit ? say`Chosen, does not fit` : say`Chosen`) : say`Choose`}
        </Button>
      </div>
      {asking && !chosen && (
        <div role="alert" className="hazard my-2 flex flex-wrap items-center gap-2 bg-sheet p-3">
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
      {open && (
        <div className="border-t border-rule pb-2">
          {alike?.choice}
          {children}
          <Lacks unmet={unmet} />
          {verdict !== 'fits' && (
            <WaysOut view={view} cures={cures} settledBy={settledBy} lines={lines} onBypass={onBypass} />
          )}
          <Facts lines={lines} />
        </div>
      )}
    </article>
  )
}

/** What has to change first, or is not known, in one line. */
function firstAgainst(say: Say, lines: readonly Line[], unmet: readonly Lacking[]): string | null {
  const worst = (['does-not-fit', 'not-known', 'fits-if'] as const).flatMap(verdict =>
    lines.filter(each => each.verdict === verdict),
  )
  if (worst[0]) return worst[0].says
  return unmet[0] ? say`Does not do what is wanted: ${lackingWords(say, unmet[0])}` : null
}

/** A bypass wanted beside the lamps of the lights of some places. */
export const bypassOf = (edits: Edits, places: readonly PlaceView[]): Edit[] =>
  [...new Set(places.map(({ group }) => group.id))].map(id =>
    edits.change('groups', id, { bypass: 'to-be-fitted' }),
  )
