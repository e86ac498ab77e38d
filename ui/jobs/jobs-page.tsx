'use client'

import Link from 'next/link'
import { useRouter } from 'next/navigation'
import { useRef, useState } from 'react'
import type { Fault } from '@/core/model/result'
import { Away } from '../primitives/away'
import { DATA_OF } from '../browser/early'
import { useServed } from '../browser/use-served'
import { toggleTheme } from '../job/theme'
import { newId } from '../job/new-id'
import { Button } from '../primitives/button'
import { SelectField, TextField } from '../primitives/fields'
import { useWhen } from '../words/use-dates'
import { useRunning } from '../browser/use-running'
import { useSay } from '../words/use-say'
import { LINK_LOOK } from '../primitives/link-look'
import { WhenSeen } from '../primitives/when-seen'
import { JobWaits } from './job-waits'
import { part } from '../primitives/part'

const NewJob = part(() => import('./new-job').then(module => module.NewJob))
const Sheet = part(() => import('../primitives/sheet').then(module => module.Sheet))

export interface JobCard {
  readonly id: string
  readonly name: string
  readonly address: string
  readonly boxes: number
  readonly demo: boolean
  /** When something was last recorded of it. */
  readonly lastAt: string
  readonly putAway: boolean
}

const ORDERS = ['last', 'name'] as const
type Order = (typeof ORDERS)[number]

const ORDER_WORDS: Readonly<Record<Order, string>> = {
  last: 'Last worked on first',
  name: 'By name',
}

/** Those whose name or address holds every word, in an order. */
function found(jobs: readonly JobCard[], words: string, order: Order): readonly JobCard[] {
  const wanted = words.toLowerCase().split(/\s+/).filter(Boolean)
  return jobs
    .filter(({ name, address }) => wanted.every(each => `${name} ${address}`.toLowerCase().includes(each)))
    .sort((a, b) =>
      order === 'name' ? a.name.localeCompare(b.name) : Date.parse(b.lastAt) - Date.parse(a.lastAt),
    )
}

/** Every job: open one, start one, bring one in from a file, put a demo back as it was. */
export function JobsPage() {
  const { value, away, again } = useServed<readonly JobCard[]>(DATA_OF['/'])
  if (away && !value) return <Away again={again} />
  return <Jobs jobs={value} again={again} />
}

/** The jobs are null while they are on their way: all that needs none of them stands meanwhile. */
function Jobs({ jobs, again }: { jobs: readonly JobCard[] | null; again: () => void }) {
  const say = useSay()

  const router = useRouter()
  const running = useRunning()
  const [faults, setFaults] = useState<{ file: string; faults: readonly Fault[] } | null>(null)
  const [unanswered, setUnanswered] = useState(false)
  const [adding, setAdding] = useState(false)
  const [words, setWords] = useState('')
  const [order, setOrder] = useState<Order>('last')
  const all = jobs && found(jobs, words, order)
  const away = all?.filter(({ putAway }) => putAway) ?? []
  const [isAwayOpen, setAwayOpen] = useState(false)
  const shown = all && (isAwayOpen ? all : all.filter(({ putAway }) => !putAway))
  const [resetting, setResetting] = useState<JobCard | null>(null)
  const picker = useRef<HTMLInputElement>(null)

  /** Does what the server is asked for; without an answer it says that nothing came of it. */
  const asked = async (act: () => Promise<void>) => {
    setFaults(null)
    setUnanswered(false)
    await act().catch(() => setUnanswered(true))
  }

  const copy = async ({ id, name }: JobCard) => {
    const answer = await fetch('/api/jobs', {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ copy: { id: newId(), jobId: id, name: say`${name}, copy`.slice(0, 120) } }),
    })
    if (answer.ok) again()
    else setFaults({ file: name, faults: ((await answer.json()) as { faults?: Fault[] }).faults ?? [] })
  }

  const putAway = async ({ id, putAway: isAway }: JobCard) => {
    await fetch(`/api/jobs/${id}/put-away`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ away: !isAway }),
    })
    again()
  }

  const bringIn = async (file: File) => {
    const answer = await fetch('/api/jobs', {
      method: 'POST',
      headers: { 'content-type': /\.zip$/i.test(file.name) ? 'application/zip' : 'application/json' },
      body: file,
    })
    const body = (await answer.json()) as { id?: string; faults?: Fault[] }
    if (answer.status === 413)
      setFaults({
        file: file.name,
        faults: [{ path: '/', code: 'too-large', message: say`it is larger than what is taken` }],
      })
    else if (answer.ok && body.id) router.push(`/jobs/${body.id}`)
    else setFaults({ file: file.name, faults: body.faults ?? [] })
  }

  return (
    <main id="main" className="mx-auto max-w-4xl px-4 pb-16">
      <div className="flex flex-wrap items-center justify-between gap-3 pt-6">
        <h1 className="text-3xl text-plum">{say`Every Room`}</h1>
        <div className="flex flex-wrap gap-2">
          <Link href="/catalogue" className={LINK_LOOK}>{say`Catalogue`}</Link>
          <Button onClick={toggleTheme}>{say`Dark room`}</Button>
          <Button
            onClick={() => picker.current?.click()}
            disabled={!running}
          >{say`Bring in a job file`}</Button>
          <Button look="main" onClick={() => setAdding(true)} disabled={!running}>{say`Start a job`}</Button>
          <input
            ref={picker}
            type="file"
            accept=".json,.zip,application/json,application/zip"
            className="sr-only"
            tabIndex={-1}
            aria-label={say`Job file`}
            onChange={event => {
              const file = event.target.files?.[0]
              event.target.value = ''
              if (file) void asked(() => bringIn(file))
            }}
          />
        </div>
      </div>
      {faults && <NotBroughtIn {...faults} />}
      {unanswered && (
        <p
          role="alert"
          className="hazard mt-4 bg-sheet p-3 font-bold"
        >{say`The server does not answer. Nothing was changed; try again.`}</p>
      )}
      <div className="mt-4 flex flex-wrap items-end gap-3 [&>*:first-child]:min-w-56 [&>*:first-child]:flex-1">
        <TextField label={say`Find a job`} value={words} max={120} live onCommit={setWords} />
        <SelectField
          label={say`Order`}
          value={order}
          options={ORDERS.map(value => ({ value, words: say(ORDER_WORDS[value]) }))}
          onCommit={setOrder}
        />
      </div>
      <ul className="mt-3 flex flex-col gap-3" aria-busy={jobs === null}>
        {shown?.map(job => (
          <JobRow
            key={job.id}
            job={job}
            onCopy={() => void asked(() => copy(job))}
            onPutAway={() => void asked(() => putAway(job))}
            onReset={() => setResetting(job)}
          />
        ))}
      </ul>
      {away.length > 0 && (
        <Button className="mt-3" aria-expanded={isAwayOpen} onClick={() => setAwayOpen(!isAwayOpen)}>
          {isAwayOpen
            ? say`Hide what is put away`
            : say.count(away.length, '# job is put away', '# jobs are put away')}
        </Button>
      )}
      {jobs?.length === 0 && <p className="mt-6">{say`No jobs yet. Start one, or bring in a job file.`}</p>}
      {jobs !== null && jobs.length > 0 && all?.length === 0 && (
        <p className="mt-6">{say`No job has all of these words in its name or address.`}</p>
      )}
      <p className="mt-8 text-sm text-soft">{say`Follow local code and the maker’s sheet. Where licensed practice is required, a licensed person does the work or signs it.`}</p>
      {adding && <NewJob open onClose={() => setAdding(false)} />}
      {resetting && (
        <Sheet title={say`Reset the demo`} open onClose={() => setResetting(null)}>
          <p>{say`Everything changed in ${resetting.name} goes, and the demo stands as it was shipped.`}</p>
          <Button
            look="main"
            onClick={() => {
              const { id } = resetting
              setResetting(null)
              void asked(async () => {
                await fetch(`/api/demo/${id}/reset`, { method: 'POST' })
                again()
              })
            }}
          >{say`Reset it`}</Button>
        </Sheet>
      )}
    </main>
  )
}

/** Why a file was not taken, fault by fault. */
function NotBroughtIn({ file, faults }: { file: string; faults: readonly Fault[] }) {
  const say = useSay()

  return (
    <div role="alert" className="hazard mt-4 bg-sheet p-3">
      <p className="font-bold">
        {say.count(
          faults.length,
          '“{0}” was not brought in; nothing was stored. # fault:',
          '“{0}” was not brought in; nothing was stored. # faults:',
          file,
        )}
      </p>
      <ul className="max-h-60 overflow-y-auto" tabIndex={0}>
        {faults.map((each, index) => (
          <li key={index}>
            <code className="font-mono text-sm">{each.path}</code> {each.message}
          </li>
        ))}
      </ul>
    </div>
  )
}

/** A job: what waits in it, and what can be done with it as a whole. */
function JobRow({
  job,
  onCopy,
  onPutAway,
  onReset,
}: {
  job: JobCard
  onCopy: () => void
  onPutAway: () => void
  onReset: () => void
}) {
  const say = useSay()

  const running = useRunning()
  const when = useWhen()
  return (
    <li
      className={`flex flex-wrap items-center gap-x-3 gap-y-2 rounded-xl p-4 ${job.putAway ? 'border border-dashed border-rule' : 'bg-sheet'}`}
    >
      <div className="min-w-60 flex-1">
        <Link href={`/jobs/${job.id}`} className="block py-1">
          <span className="block text-lg font-bold underline decoration-rule underline-offset-4">
            {job.name}
          </span>
          <span className="text-soft">
            {[job.address, say.count(job.boxes, '# box', '# boxes'), say`last ${when(job.lastAt)}`]
              .filter(Boolean)
              .join(' · ')}
          </span>
        </Link>
        {!job.putAway && (
          <WhenSeen className="mt-1 min-h-6">
            <JobWaits jobId={job.id} lastAt={job.lastAt} />
          </WhenSeen>
        )}
      </div>
      <a
        href={`/api/jobs/${job.id}/file`}
        className={LINK_LOOK}
        aria-label={say`Job file of ${job.name}`}
      >{say`Job file`}</a>
      <Button
        onClick={onCopy}
        disabled={!running}
        aria-label={say`Copy ${job.name}, without its photos`}
      >{say`Copy`}</Button>
      <Button
        onClick={onPutAway}
        disabled={!running}
        aria-label={job.putAway ? say`Take out ${job.name}` : say`Put away ${job.name}`}
      >
        {job.putAway ? say`Take out` : say`Put away`}
      </Button>
      {job.demo && (
        <Button
          onClick={onReset}
          disabled={!running}
          aria-label={say`Reset the demo ${job.name}`}
        >{say`Reset the demo`}</Button>
      )}
    </li>
  )
}
