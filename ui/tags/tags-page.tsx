'use client'

import type { Lock } from '@/core/model/entities'
import { rowsOf, rowsWith, type JobRecord } from '@/core/model/record'
import { useJob } from '../job/provider'
import { Button } from '../primitives/button'
import { useRunning } from '../browser/use-running'
import { switchName } from '../words/switch-name'
import { capital } from '@/core/words/capital'
import { useDates } from '../words/use-dates'
import { useSay } from '../words/use-say'

/** A tag for each lock that hangs, and one to be filled in by hand. */
export function TagsPage() {
  const say = useSay()

  const { record } = useJob()
  const locks = rowsOf(record, 'locks')
  return (
    <>
      <div className="flex flex-wrap items-end justify-between gap-3 pt-5" data-chrome>
        <div>
          <h1 className="text-2xl">{say`Tags`}</h1>
          <p className="text-soft">
            {locks.length === 0 ? say`Nothing is locked off now.` : say`${locks.length} locked off now.`}
          </p>
        </div>
        <Button look="main" onClick={() => window.print()}>{say`Print`}</Button>
      </div>
      <div className="mt-4 grid gap-4 md:grid-cols-2 print:grid-cols-2">
        {locks.map(lock => (
          <Tag key={lock.id} record={record} lock={lock} />
        ))}
        <Tag record={record} lock={null} />
      </div>
    </>
  )
}

function Tag({ record, lock }: { record: JobRecord; lock: Lock | null }) {
  const say = useSay()

  // The hour is the reader’s own.
  const dates = useDates()
  const since = useRunning() && lock ? dates.moment.format(new Date(lock.at)) : ''
  const circuit = lock?.circuitId ? record.circuits[lock.circuitId] : undefined
  const what = lock
    ? [capital(switchName(record, lock.circuitId)), circuit?.label].filter(Boolean).join(', ')
    : ''
  const boxes = circuit
    ? rowsWith(record, 'feeds', 'circuitId', circuit.id).flatMap(({ boxId }) => {
        const box = record.boxes[boxId]
        return box ? [`${record.rooms[box.roomId]?.name ?? ''}, ${box.name}`] : []
      })
    : []
  return (
    <article
      aria-label={lock ? say`Tag: ${what}, ${lock.keyWith}` : say`Tag to be filled in`}
      className="hazard break-inside-avoid bg-sheet p-5"
    >
      <p className="text-3xl leading-tight font-bold">{say`Do not switch on`}</p>
      <p className="text-lg">{say`Somebody has hands in it.`}</p>
      <dl className="mt-3 grid grid-cols-[auto_1fr] items-baseline gap-x-4 gap-y-2">
        <Line name={say`Off`} says={what} large />
        <Line name={say`Only on by`} says={lock?.keyWith ?? ''} large />
        <Line name={say`Since`} says={since} />
        <Line name={say`Where`} says={boxes.join('; ')} />
        <Line name={say`Job`} says={[record.job.name, record.job.address].filter(Boolean).join(', ')} />
      </dl>
    </article>
  )
}

const Line = ({ name, says, large = false }: { name: string; says: string; large?: boolean }) => (
  <>
    <dt>{name}</dt>
    <dd
      className={`min-h-7 ${large ? 'text-xl' : ''} font-semibold ${says === '' ? 'border-b-[1.5px] border-ink' : ''}`}
    >
      {says}
    </dd>
  </>
)
