'use client'

import { useMemo, useRef } from 'react'
import { boxView, type BoxView } from '@/core/job/box-view'
import { rowsOf } from '@/core/model/record'
import { isForWiring, planBox } from '@/core/plan'
import { BoxDrawing } from '../drawing/box-drawing'
import { inWords } from '../drawing/in-words'
import { foundPicture, plannedPicture } from '../drawing/picture'
import { saveSvg } from '../drawing/save-svg'
import { useJob, useTrade } from '../job/provider'
import { Button } from '../primitives/button'
import { Duties } from '../stages/wire/duties'
import { Landing } from '../stages/wire/landing'
import { useSay } from '../words/use-say'

/** One page a box, to be pinned to the wall: the drawing in words, where everything lands, the steps, the cautions. */
export function SheetsPage() {
  const say = useSay()

  const boxId = new URLSearchParams(window.location.search).get('box')

  const { record } = useJob()
  const views = useMemo(
    () =>
      rowsOf(record, 'boxes')
        .filter(({ id }) => boxId === null || id === boxId)
        .flatMap(({ id }) => boxView(record, id) ?? [])
        .filter(view => boxId !== null || isForWiring(view)),
    [record, boxId],
  )
  return (
    <>
      <div className="flex flex-wrap items-end justify-between gap-3 pt-5" data-chrome>
        <div>
          <h1 className="text-2xl">{say`Sheets for the wall`}</h1>
          <p className="text-soft">{say`${say.count(views.length, 'One box', '# boxes')}, one page each`}</p>
        </div>
        <Button look="main" disabled={views.length === 0} onClick={() => window.print()}>{say`Print`}</Button>
      </div>
      {views.length === 0 && <p className="mt-4">{say`No box has a device chosen for it yet.`}</p>}
      {views.map(view => (
        <Sheet key={view.box.id} view={view} />
      ))}
    </>
  )
}

function Sheet({ view }: { view: BoxView }) {
  const say = useSay()

  const trade = useTrade()
  const drawing = useRef<HTMLDivElement>(null)
  const { routed, steps } = useMemo(() => planBox(view, trade), [view, trade])
  const picture = useMemo(
    () => inWords(routed.ok ? plannedPicture(view, routed.value) : foundPicture(view, trade)),
    [view, routed, trade],
  )
  const name = `${view.room.name}, ${view.box.name}`
  const save = () => {
    const svg = drawing.current?.querySelector('svg')
    if (svg) saveSvg(svg, `${view.record.job.name} ${name}`)
  }
  return (
    <article
      aria-label={name}
      className="mt-4 break-after-page rounded-xl bg-sheet p-5 last:break-after-auto print:mt-0 print:p-0"
    >
      <header className="flex flex-wrap items-baseline justify-between gap-3 border-b-2 border-ink pb-2">
        <h2 className="text-xl">
          {name} <span className="font-normal text-soft">{view.record.job.name}</span>
        </h2>
        {[view.record.job.electrician, view.record.job.apprentice].some(Boolean) && (
          <span className="text-sm">
            {[view.record.job.electrician, view.record.job.apprentice].filter(Boolean).join(', ')}
          </span>
        )}
        {view.box.plate && <span className="text-sm">{say`Plate as found: ${view.box.plate}`}</span>}
        <span className="font-bold">
          {say`breaker ${view.feeds.map(({ circuit }) => circuit.breaker).join(', ') || say`not known`}`}
        </span>
        <Button data-chrome onClick={save}>{say`Drawing as SVG`}</Button>
      </header>
      <div className="mt-3 grid gap-5 md:grid-cols-2 print:grid-cols-2 print:text-[11px]">
        <div ref={drawing} className="min-w-0 [--above:20rem]">
          <BoxDrawing picture={picture} />
        </div>
        <div className="min-w-0">
          {routed.ok ? (
            <Landing view={view} routed={routed.value} />
          ) : (
            <ul className="hazard p-3">
              {routed.faults.map(({ path, message }) => (
                <li key={path + message}>{message}</li>
              ))}
            </ul>
          )}
        </div>
      </div>
      <ol className="mt-4 columns-1 gap-6 md:columns-2 print:columns-2 print:text-[11px]">
        {steps.map(({ key, says, done }, at) => (
          <li key={key} className="flex break-inside-avoid items-start gap-2 py-0.5">
            <span
              aria-hidden="true"
              className="mt-1 inline-block h-3.5 w-3.5 shrink-0 border-[1.5px] border-ink text-center text-xs leading-3"
            >
              {done ? '✓' : ''}
            </span>
            <span>
              {at + 1}. {says}
              {done && <span className="sr-only">{say` (done)`}</span>}
            </span>
          </li>
        ))}
      </ol>
      <div className="mt-4 print:text-[11px]">
        <Duties view={view} heading="h3" />
      </div>
      <p className="hazard mt-4 px-3 py-1 text-sm print:text-[11px]">{say`Nothing bare is touched before every conductor of this box was read dead, to a reference that had just read live, with a tester proved before and after. A breaker’s label proves nothing. Follow local code and the makers’ sheets; where licensed practice is required, a licensed person does or signs the work. Where readings contradict each other: stop, get help.`}</p>
    </article>
  )
}
