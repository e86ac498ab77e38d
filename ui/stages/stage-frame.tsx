'use client'

import { Link } from '../job/link'
import { useEffect, useMemo, useState, type ReactNode } from 'react'
import type { BoxView } from '@/core/job/box-view'
import type { Stage } from '@/core/model/vocabulary'
import { progressOf, type StageProgress } from '@/core/plan'
import { mayMissAnOn, saidOf } from '@/core/job/hearing'
import { isLifted, isolationOf, voidedIn } from '@/core/safety'
import { StageMark, STATE_WORDS } from '../primitives/marks'
import { STAGE_WORDS } from '../words'
import { useJob, useTrade } from '../job/provider'
import { useSay } from '../words/use-say'
import { Large } from '../drawing/large'
import { LargerButton } from '../drawing/larger-button'
import { MAIN_LINK_LOOK } from '../primitives/link-look'
import { ToStage } from './to-stage'
import { WorkFrame } from '../primitives/work-frame'
import { part } from '../primitives/part'

/** The drawing beside the work: the more gangs, the more room it takes, so that its words stay large enough. */
const COLUMNS = [
  'wide:grid-cols-[minmax(0,1fr)_minmax(0,1.05fr)]',
  'wide:grid-cols-[minmax(0,1fr)_minmax(0,1.05fr)]',
  'wide:grid-cols-[minmax(0,1.33fr)_minmax(0,1fr)]',
  'wide:grid-cols-[minmax(0,1.6fr)_minmax(0,1fr)]',
] as const
const CHOOSE_COLUMNS = 'wide:grid-cols-[minmax(0,0.75fr)_minmax(0,1.25fr)]'

/** Every stage of a box: its name, the six stages, whether it may be live, the drawing and the work. */
export function StageFrame({
  view,
  stage,
  drawing,
  children,
}: {
  view: BoxView
  stage: Stage
  drawing: ReactNode
  children: ReactNode
}) {
  const say = useSay()

  const trade = useTrade()
  const progress = useMemo(() => progressOf(view, trade), [view, trade])
  const unfit = useUnfit(view)
  // What is chosen and may not go there is not done, whatever was pressed.
  const stages = progress.stages.map(each =>
    each.stage === 'choose' && unfit
      ? { ...each, state: 'begun' as const, missing: say`what is chosen does not fit` }
      : each,
  )
  const [large, setLarge] = useState(false)
  return (
    <>
      <div className="flex items-start justify-between gap-x-3 pt-1">
        <h1 className="flex min-w-0 flex-wrap items-baseline gap-x-2 pt-2 text-lg sm:text-xl">
          {view.room.name} <span className="font-normal">{view.box.name}</span>
        </h1>
        <span className="flex shrink-0 items-center gap-3">
          <Link
            href={`/jobs/${view.record.job.id}/boxes/${view.box.id}/try`}
            data-chrome
            className="inline-flex min-h-11 items-center font-semibold underline decoration-rule underline-offset-4 hover:decoration-ink"
          >{say`Try by hand`}</Link>
          <LargerButton large={large} onChange={setLarge} />
        </span>
      </div>
      <StageBar view={view} stage={stage} stages={stages} />
      <LiveStrip view={view} />
      <WorkFrame
        at={`${view.box.id} ${stage}`}
        name={say(STAGE_WORDS[stage].name)}
        columns={
          stage === 'choose'
            ? CHOOSE_COLUMNS
            : (COLUMNS[Math.min(view.places.length, COLUMNS.length) - 1] ?? COLUMNS[0])
        }
        picture={<Large value={large}>{drawing}</Large>}
      >
        <p className="sr-only">{say(STAGE_WORDS[stage].question)}</p>
        <OnTo view={view} stage={stage} stages={stages} />
        {children}
      </WorkFrame>
    </>
  )
}

interface Standing {
  readonly view: BoxView
  readonly stage: Stage
  readonly stages: readonly StageProgress[]
}

/** Where a stage ends: on to what is open next, or back to the house. */
function OnTo({ view, stage, stages }: Standing) {
  const say = useSay()

  const at = stages.findIndex(each => each.stage === stage)
  if (stages[at]?.state !== 'done') return null
  // Onward first; what was left behind comes after it.
  const next = [...stages.slice(at + 1), ...stages.slice(0, at)].find(({ state }) => state !== 'done')
  return (
    <div data-next={`done-${stage}`}>
      {next ? (
        <ToStage view={view} stage={next.stage} on />
      ) : (
        <Link
          href={`/jobs/${view.record.job.id}`}
          className={MAIN_LINK_LOOK}
        >{say`All is done here: to the house`}</Link>
      )}
    </div>
  )
}

function StageBar({ view, stage, stages }: Standing) {
  const say = useSay()

  const base = `/jobs/${view.record.job.id}/boxes/${view.box.id}`
  return (
    <nav
      aria-label={say`Stages`}
      data-chrome
      className="mt-2 grid grid-cols-6 overflow-hidden rounded-lg border-[1.5px] border-ink/60 bg-sheet"
    >
      {stages.map(each => (
        <Link
          key={each.stage}
          href={`${base}/${each.stage}`}
          aria-current={each.stage === stage ? 'step' : undefined}
          title={each.missing || undefined}
          className="flex min-h-13 flex-col items-center justify-center gap-0.5 border-l border-rule px-0.5 text-sm first:border-l-0 hover:bg-tint aria-[current]:bg-plum aria-[current]:text-on-plum aria-[current]:[--mark-tick:var(--plum)]"
        >
          <StageMark state={each.state} size={16} />
          <span className="font-semibold">{say(STAGE_WORDS[each.stage].name)}</span>
          <span className="sr-only">{say(STATE_WORDS[each.state])}</span>
        </Link>
      ))}
    </nav>
  )
}

const AskAloud = part(() => import('./safety/ask-aloud').then(module => module.AskAloud))
const MeanwhileOn = part(() => import('./safety/meanwhile-on').then(module => module.MeanwhileOn))
const PutBack = part(() => import('./safety/put-back').then(module => module.PutBack))

/** Whether a device is chosen in a box that may not go there; reckoned once the page stands. */
function useUnfit(view: BoxView): boolean {
  const trade = useTrade()
  const [unfit, setUnfit] = useState<BoxView | null>(null)
  const isChosen = view.places.some(({ choice }) => choice !== null)
  useEffect(() => {
    if (!isChosen) return
    let wanted = true
    void import('./chosen-verdicts').then(({ hasUnfit }) => {
      if (wanted && hasUnfit(view, trade)) setUnfit(view)
    })
    return () => {
      wanted = false
    }
  }, [view, trade, isChosen])
  return unfit === view
}

/** Whether this box may be live now, on every screen of it. */
export function LiveStrip({ view }: { view: BoxView }) {
  const say = useSay()

  const isolation = useMemo(() => isolationOf(view), [view])
  const { touch } = useJob()
  const misses = mayMissAnOn(touch)
  const said = saidOf(touch, view.box.id)
  return (
    <>
      <div
        className={`mt-2 bg-sheet px-3 py-1.5 ${isolation.dead && !misses ? 'rounded-lg border-2 border-ink' : 'hazard'}`}
      >
        <p role="status" className="font-semibold">
          {!isolation.dead
            ? say`May be live`
            : misses
              ? say`Dead, as far as this phone knows`
              : say.count(
                  isolation.ends,
                  'Read dead: {0} of # conductor, tester proved before and after',
                  'Read dead: {0} of # conductors, tester proved before and after',
                  isolation.endsReadDead,
                )}
          {!isolation.dead && view.ends.length > 0 && (
            <span className="font-normal">{` · ${say.count(isolation.ends, '{0} of # conductor read dead', '{0} of # conductors read dead', isolation.endsReadDead)}`}</span>
          )}
          {misses && said !== null && <span className="font-normal">{say` · asked aloud: “${said}”`}</span>}
        </p>
        {misses && <AskAloud view={view} />}
      </div>
      <Meanwhile view={view} />
      {isLifted(view.record, view.box.id) && <PutBack view={view} />}
    </>
  )
}

/** What counts no more, on every screen of its box. */
function Meanwhile({ view }: { view: BoxView }) {
  const voided = useMemo(() => voidedIn(view), [view])
  return voided.length > 0 && <MeanwhileOn view={view} voided={voided} />
}
