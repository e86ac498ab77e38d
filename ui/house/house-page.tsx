'use client'

import { Link } from '../job/link'
import { useMemo, useState } from 'react'
import { defectsIn } from '@/core/check'
import { boxView } from '@/core/job/box-view'
import { rowsOf, rowsWith, type JobRecord } from '@/core/model/record'
import { regionOf } from '@/core/model/regions'
import type { Trade } from '@/core/model/trade'
import { STAGES, type Stage } from '@/core/model/vocabulary'
import { progressOfJob, type BoxProgress } from '@/core/plan'
import { useJob, useTrade } from '../job/provider'
import { StageMark, STATE_WORDS } from '../primitives/marks'
import { Button } from '../primitives/button'
import { PickOne } from '../primitives/fields'
import { BOX_KIND_WORDS, STAGE_WORDS } from '../words'
import { useSay } from '../words/use-say'
import { RowContext } from '../primitives/row-context'
import { part } from '../primitives/part'

const SeveralPlaces = part(() => import('./several-places').then(module => module.SeveralPlaces))
const Orphans = part(() => import('./orphans').then(module => module.Orphans))
const AddRoom = part(() => import('./add').then(module => module.AddRoom))
const EditJob = part(() => import('./edit').then(module => module.EditJob))
const EditRoom = part(() => import('./edit').then(module => module.EditRoom))
const HousePicture = part(() => import('./house-picture').then(module => module.HousePicture))
const AddBox = part(() => import('./add').then(module => module.AddBox))

type Filter = Stage | 'done' | 'all'

/** Every room and how far each of its boxes is; what waits for what, at one glance. */
export function HousePage() {
  const say = useSay()

  const trade = useTrade()
  const { record } = useJob()
  const progress = useMemo(
    () => new Map(progressOfJob(record, trade).map(each => [each.boxId, each])),
    [record, trade],
  )
  const [filter, setFilter] = useState<Filter>('all')
  const [asPicture, setAsPicture] = useState(false)
  const [moving, setMoving] = useState(false)
  const [adding, setAdding] = useState<'room' | 'box' | 'job' | 'several' | null>(null)
  const [editing, setEditing] = useState<string | null>(null)
  const waitingIn = (each: BoxProgress): Filter => each.next?.stage ?? 'done'
  const all = [...progress.values()]
  const rooms = rowsOf(record, 'rooms')
  const base = `/jobs/${record.job.id}`
  return (
    <>
      <div className="flex flex-wrap items-end justify-between gap-3 pt-5">
        <div>
          <h1 className="text-2xl">{record.job.name}</h1>
          <p className="text-soft">
            {record.job.address && `${record.job.address} · `}
            {`${say.count(rooms.length, '# room', '# rooms')}, ${say.count(all.length, '# box', '# boxes')} · ${regionOf(record.job.regionId).name}`}
          </p>
        </div>
        <div className="flex flex-wrap gap-2 whitespace-nowrap [&>button]:px-3!" data-chrome>
          <Button onClick={() => setAdding('job')}>{say`The house`}</Button>
          <Button onClick={() => setAdding('room')}>{say`Add a room`}</Button>
          <Button onClick={() => setAdding('several')}>{say`Several places, one light`}</Button>
          <Button look="main" onClick={() => setAdding('box')}>{say`Add a box`}</Button>
        </div>
      </div>
      {all.length > 0 && <StageFilter all={all} waitingIn={waitingIn} filter={filter} onFilter={setFilter} />}
      {rooms.length === 0 && (
        <p className="mt-6 rounded-xl border-2 border-dashed border-rule p-6">{say`Stand before the first switch and add its box: its room is made with it.`}</p>
      )}
      {rooms.length > 1 && (
        <div className="mt-2 flex flex-wrap items-center gap-3" data-chrome>
          <PickOne
            label={say`The house as`}
            labelHidden
            value={asPicture ? 'picture' : 'list'}
            options={[
              { value: 'list', words: say`List` },
              { value: 'picture', words: say`Picture` },
            ]}
            onCommit={value => {
              setAsPicture(value === 'picture')
              setMoving(false)
            }}
          />
          {asPicture && (
            <Button aria-pressed={moving} onClick={() => setMoving(!moving)}>
              {moving ? say`Rooms lie so` : say`Move rooms`}
            </Button>
          )}
        </div>
      )}
      {asPicture && (
        <HousePicture
          key={String(moving)}
          record={record}
          moving={moving}
          progress={progress}
          shows={boxId => filter === 'all' || waitingIn(progress.get(boxId)!) === filter}
        />
      )}
      <div className="mt-4 flex flex-col gap-2">
        {(asPicture ? [] : rooms).map(room => {
          const boxes = rowsWith(record, 'boxes', 'roomId', room.id).filter(box => {
            const each = progress.get(box.id)
            return filter === 'all' || (each && waitingIn(each) === filter)
          })
          if (boxes.length === 0 && filter !== 'all') return null
          return (
            <section
              key={room.id}
              aria-labelledby={`room-${room.id}`}
              className="rounded-lg bg-sheet sm:grid sm:grid-cols-[11rem_1fr]"
            >
              <div className="flex items-start justify-between sm:border-r sm:border-rule">
                <h2 id={`room-${room.id}`} className="min-w-0 px-3 pt-2.5 text-base sm:pb-2">
                  {room.name} <span className="text-sm font-normal text-soft sm:block">{room.floor}</span>
                </h2>
                <button
                  type="button"
                  data-chrome
                  aria-label={say`Edit ${room.name}`}
                  onClick={() => setEditing(room.id)}
                  className="min-h-11 min-w-11 shrink-0 rounded-lg font-bold hover:bg-tint"
                >
                  ⋯
                </button>
              </div>
              <ul>
                {boxes.map(box => (
                  <BoxRow
                    key={box.id}
                    record={record}
                    boxId={box.id}
                    progress={progress.get(box.id)!}
                    base={base}
                  />
                ))}
                {boxes.length === 0 && (
                  <li className="px-3 pt-1 pb-3 text-soft">{say`No box recorded here yet.`}</li>
                )}
              </ul>
            </section>
          )
        })}
      </div>
      <Orphans />
      <p className="mt-4 sm:hidden">
        <Link
          href={`${base}/rules`}
          className="inline-flex min-h-11 items-center underline underline-offset-4"
        >{say`House rules`}</Link>
      </p>
      {adding === 'job' && <EditJob onClose={() => setAdding(null)} />}
      {editing && record.rooms[editing] && (
        <RowContext key={editing} value={editing}>
          <EditRoom room={record.rooms[editing]} onClose={() => setEditing(null)} />
        </RowContext>
      )}
      {adding === 'room' && <AddRoom onClose={() => setAdding(null)} />}
      {adding === 'several' && <SeveralPlaces onClose={() => setAdding(null)} />}
      {adding === 'box' && <AddBox onClose={() => setAdding(null)} />}
    </>
  )
}

function StageFilter({
  all,
  waitingIn,
  filter,
  onFilter,
}: {
  all: readonly BoxProgress[]
  waitingIn: (each: BoxProgress) => Filter
  filter: Filter
  onFilter: (filter: Filter) => void
}) {
  const say = useSay()

  const kinds: readonly { id: Filter; words: string }[] = [
    { id: 'all', words: say`All` },
    ...STAGES.map(stage => ({ id: stage, words: say(STAGE_WORDS[stage].name) })),
    { id: 'done', words: say`Done` },
  ]
  return (
    <div
      role="group"
      aria-label={say`Boxes waiting in`}
      className="mt-4 grid grid-cols-4 gap-1 sm:grid-cols-8"
      data-chrome
    >
      {kinds.map(({ id, words }) => {
        const count = id === 'all' ? all.length : all.filter(each => waitingIn(each) === id).length
        return (
          <button
            key={id}
            type="button"
            aria-pressed={filter === id}
            onClick={() => onFilter(id)}
            className="flex min-h-14 flex-col items-center justify-center rounded-lg border-[1.5px] border-rule bg-sheet px-1 aria-pressed:border-plum aria-pressed:bg-plum aria-pressed:text-on-plum"
          >
            <span className="text-xl leading-none font-bold">{count}</span>
            <span className="text-sm">{words}</span>
          </button>
        )
      })}
    </div>
  )
}

function BoxRow({
  record,
  boxId,
  progress,
  base,
}: {
  record: JobRecord
  boxId: string
  progress: BoxProgress
  base: string
}) {
  const say = useSay()

  const trade = useTrade()
  const view = boxView(record, boxId)!
  const dangers = openDangers(record, boxId, trade)
  const { next } = progress
  const controls = view.places.map(place => place.group.name).join(' · ')
  return (
    <li className="border-t border-rule first:border-t-0">
      <Link
        href={`${base}/boxes/${boxId}/${next?.stage ?? 'prove'}`}
        className="grid min-h-14 grid-cols-[1fr_auto] items-center gap-x-4 gap-y-1 px-3 py-2 hover:bg-tint sm:grid-cols-[minmax(0,1.1fr)_minmax(0,1.4fr)_auto]"
      >
        <span className="min-w-0">
          <span className="block truncate font-semibold">{view.box.name}</span>
          <span className="block truncate text-sm text-soft">
            {controls ||
              (view.box.kind === 'control' ? say`No control recorded` : say(BOX_KIND_WORDS[view.box.kind]))}
          </span>
        </span>
        <span className="order-3 col-span-2 min-w-0 text-sm sm:order-none sm:col-span-1">
          {next ? (
            <>
              <strong>{say(STAGE_WORDS[next.stage].name)}</strong> {next.missing}
            </>
          ) : (
            <strong>{say`Done`}</strong>
          )}
          {dangers > 0 && (
            <span className="hazard ml-2 inline-block bg-sheet px-2 font-semibold whitespace-nowrap">
              {say.count(dangers, '# danger', '# dangers')}
            </span>
          )}
        </span>
        <span className="flex gap-1">
          {progress.stages.map(({ stage, state }) => (
            <span key={stage} title={`${say(STAGE_WORDS[stage].name)}: ${say(STATE_WORDS[state])}`}>
              <StageMark state={state} />
              <span className="sr-only">
                {say(STAGE_WORDS[stage].name)} {say(STATE_WORDS[state])}.{' '}
              </span>
            </span>
          ))}
        </span>
      </Link>
    </li>
  )
}

/** Dangers that nobody has closed, mended or handed over in writing. */
const openDangers = (record: JobRecord, boxId: string, trade: Trade): number =>
  defectsIn(boxView(record, boxId)!, trade).filter(
    ({ severity, state }) => severity === 'danger' && state === 'open',
  ).length
