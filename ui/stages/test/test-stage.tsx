'use client'

import { ROLE_WORDS } from '@/core/words/of-vocabulary'
import { useEffect, useMemo, useState } from 'react'
import { claimStatus, type Identification, type Identified, type Question } from '@/core/identify'
import { approachTo } from '@/core/safety'
import type { BoxView, EndView } from '@/core/job/box-view'
import { rowsWith } from '@/core/model/record'
import { linesToTell } from '@/core/panel'
import type { Role } from '@/core/model/vocabulary'
import { BoxDrawing } from '../../drawing/box-drawing'
import { foundPicture, NOTED, type BoxPicture } from '../../drawing/picture'
import { PROOF_WORDS } from '../../words'
import { IsolationPanel } from '../safety/isolation-panel'
import { Folded } from '../../primitives/folded'
import { Part } from '../../primitives/titled-part'
import { StageFrame } from '../stage-frame'
import { useTrade } from '../../job/provider'
import { IdentifyPart } from './identify-part'
import { boxOf } from './next-reading'
import { useLooking } from '../use-looking'
import { useIdentification } from './use-identification'
import { useSay } from '../../words/use-say'
import { sayIn } from '@/core/words/say'
import { part } from '../../primitives/part'

const OtherPlaces = part(() => import('../look/other-place').then(module => module.OtherPlaces))
const WhichCircuit = part(() => import('./which-circuit').then(module => module.WhichCircuit))
const AllReadings = part(() => import('./all-readings').then(module => module.AllReadings))
const RolePanel = part(() => import('./role-panel').then(module => module.RolePanel))

export function TestStage({ view }: { view: BoxView }) {
  const say = useSay()

  const trade = useTrade()
  const [selected, setSelected] = useState<string | null>(null)
  const identifying = useIdentification(view)
  const { says } = identifying
  const identification = says.kind === 'identified' ? says.identification : null
  const picture = useMemo(
    () => withFound(foundPicture(view, trade), view, identification),
    [view, trade, identification],
  )
  const looking = useLooking(view)
  const untold = useMemo(() => linesToTell(view), [view])
  const strand = view.ends.find(each => each.end.id === selected) ?? null
  const asked = identification?.conflict?.repeat.question ?? identification?.next?.question ?? null
  const isDeadNext = asked !== null && isMadeDeadFor(asked, view, identifying.views)
  // What stands below comes with the first question, so that it does not move when that comes; or without it.
  const isEarly = useShortly(says.kind === 'thinking')
  const isolation = (
    <div id="make-it-dead" className="scroll-mt-3">
      <IsolationPanel view={view} isNext={isDeadNext} />
    </div>
  )
  return (
    <StageFrame
      view={view}
      stage="test"
      drawing={
        <>
          <BoxDrawing
            picture={picture}
            selected={selected}
            probes={probesOf(identification)}
            onSelect={id => setSelected(id === selected ? null : id)}
          />
          <FlagKey className="max-wide:hidden" />
        </>
      }
    >
      {looking.here.length > 0 && (
        <OtherPlaces view={view} looking={looking.here} others={looking.elsewhere} />
      )}
      {looking.here.length === 0 && <IdentifyPart view={view} state={identifying} />}
      {isDeadNext && isolation}
      {!isEarly && untold.length > 0 && <WhichCircuit view={view} lines={untold} />}
      {strand && (
        <RolePanel key={strand.end.id} view={view} strand={strand} onClose={() => setSelected(null)} />
      )}
      {!isEarly && (
        <Conductors
          view={view}
          known={identification?.known ?? []}
          selected={selected}
          onSelect={setSelected}
        />
      )}
      {!isEarly && (
        <Folded
          className="rounded-xl bg-sheet px-3 sm:px-4"
          summary={
            <summary className="min-h-11 py-2.5 font-bold">
              {say.count(
                view.readings.length + view.struckReadings.length,
                'All that was read and switched here: # reading',
                'All that was read and switched here: # readings',
              )}
            </summary>
          }
        >
          <div className="pb-3">
            <AllReadings view={view} />
          </div>
        </Folded>
      )}
      {!isDeadNext && !isEarly && isolation}
    </StageFrame>
  )
}

/** So long at most what stands below the next question waits for it. */
const SHORTLY_MILLISECONDS = 2000

/** True while something is awaited, but not for long. */
function useShortly(isAwaited: boolean): boolean {
  const [isOver, setOver] = useState(false)
  useEffect(() => {
    if (!isAwaited) return
    const timer = window.setTimeout(() => setOver(true), SHORTLY_MILLISECONDS)
    return () => window.clearTimeout(timer)
  }, [isAwaited])
  return isAwaited && !isOver
}

/** Whether this box is made dead before anything else is done for a reading. */
function isMadeDeadFor(question: Question, view: BoxView, views: readonly BoxView[]): boolean {
  const [first] = approachTo(boxOf(question, view, views), views, question)
  return first?.kind === 'make-dead' && first.view === view
}

/** The three outlines of a flag, drawn. */
function FlagKey({ className }: { className: string }) {
  const say = useSay()

  return (
    <ul
      aria-label={say`Flags`}
      className={`mt-1 flex flex-wrap justify-center gap-x-4 gap-y-1 text-sm ${className}`}
    >
      {(['assumed', 'indicated', 'proven', 'contradicted'] as const).map(proof => (
        <li key={proof} className="flex items-center gap-1.5">
          <svg width="30" height="20" viewBox="0 0 30 20" aria-hidden="true" className={`flag flag-${proof}`}>
            <path d="M2 2 h26 l-5 8 l5 8 h-26 z" className="flag-shape" />
            {proof === 'contradicted' && <path d="M2 18 L26 2" stroke="var(--ink)" strokeWidth="2.5" />}
          </svg>
          {say(PROOF_WORDS[proof])}
        </li>
      ))}
    </ul>
  )
}

function Conductors({
  view,
  known,
  selected,
  onSelect,
}: {
  view: BoxView
  known: readonly Identified[]
  selected: string | null
  onSelect: (id: string) => void
}) {
  const say = useSay()

  if (view.ends.length === 0)
    return (
      <Part title={say`No conductors yet`}>
        <p>{say`Record on Look what comes into this box; then each conductor is read here.`}</p>
      </Part>
    )
  return (
    <Part title={say`Conductors`}>
      <FlagKey className="wide:hidden" />
      <ul className="flex flex-col">
        {view.ends.map(each => {
          const status = claimStatus(view, each)
          const found = known.find(({ endId }) => endId === each.end.id)
          return (
            <li key={each.end.id} className="border-t border-rule first:border-t-0">
              <button
                type="button"
                aria-pressed={selected === each.end.id}
                onClick={() => onSelect(each.end.id)}
                className="grid min-h-13 w-full grid-cols-[7rem_1fr] items-center gap-x-3 px-1 py-1.5 text-left hover:bg-tint aria-pressed:bg-tint"
              >
                <strong>{each.name}</strong>
                <span>
                  {status.role
                    ? `${say(ROLE_WORDS[status.role])}, ${say(PROOF_WORDS[status.proof])}`
                    : say`no role yet`}
                  {ofCircuit(view, each)}
                  {rowsWith(view.record, 'notes', 'endId', each.end.id).map(note => (
                    <span key={note.id} className="block text-sm font-semibold">
                      {note.text}
                    </span>
                  ))}
                  <span className="block text-sm text-soft">
                    {found ? foundWords(found, status.role, view) : status.settledBy}
                  </span>
                </span>
              </button>
            </li>
          )
        })}
      </ul>
    </Part>
  )
}

/** The breaker it belongs to, where the box has several. */
function ofCircuit(view: BoxView, { end }: EndView): string {
  const say = sayIn(view.region)

  const circuit = view.feeds.length > 1 && view.record.circuits[end.roleCircuitId ?? '']
  return circuit ? say`, breaker ${circuit.breaker}` : ''
}

/** What the readings say of a conductor, beside what it is taken for. */
function foundWords(
  { endId, candidates, proof, why, groundOpen }: Identified,
  role: Role | null,
  view: BoxView,
): string {
  const say = sayIn(view.region)

  // Those that were taken at it, and those elsewhere that left out what it could have been.
  const taken = view.readings.filter(
    each => each.answer !== null && (each.fromEndId === endId || each.toEndId === endId),
  )
  const count = new Set([...taken.map(({ id }) => id), ...why]).size
  if (proof === 'contradicted')
    return count > 0
      ? say`its readings contradict each other`
      : say`no way of wiring that is thought of looks like what is recorded`
  const likely = candidates
    .slice(0, 3)
    .map(each => `${say(ROLE_WORDS[each.role])}${candidates.length > 1 ? ` ${percent(each.share)}` : ''}`)
    .join(', ')
  const readings = say`${count} ${count === 1 ? say`reading bears` : say`readings bear`} on it`
  const other =
    role !== null && candidates[0] && candidates[0].role !== role ? say`Readings say otherwise: ` : ''
  const ground = groundOpen ? say`; nothing tells it from a ground yet: clamp it with the light on` : ''
  return `${other}${likely}, ${say(PROOF_WORDS[proof])}; ${readings}${ground}`
}

/** A share never rounds to all or nothing while something else is possible. */
const percent = (share: number) => `${Math.min(99, Math.max(1, Math.round(share * 100)))} %`

const probesOf = (identification: Identification | null): readonly string[] => {
  const question = identification?.conflict?.repeat.question ?? identification?.next?.question
  return question ? [question.from, question.to].flatMap(spot => (spot.kind === 'end' ? [spot.end] : [])) : []
}

/** The picture with what readings say, where nobody has said yet what a conductor is. */
function withFound(picture: BoxPicture, view: BoxView, identification: Identification | null): BoxPicture {
  const say = sayIn(view.region)

  if (!identification) return picture
  const known = new Map(identification.known.map(each => [each.endId, each]))
  return {
    ...picture,
    cables: picture.cables.map(cable => ({
      ...cable,
      strands: cable.strands.map(strand => {
        const found = known.get(strand.id)
        const first = found?.candidates[0]
        if (!found || !first || view.record.ends[strand.id]?.role != null) return strand
        const noted = strand.flag?.words.endsWith(NOTED) ? NOTED : ''
        const words = `${say(ROLE_WORDS[first.role])}${found.candidates.length > 1 ? '?' : ''}${noted}`
        return { ...strand, flag: { words, proof: found.proof } }
      }),
    })),
  }
}
