import { execFileSync } from 'node:child_process'
import { readFileSync } from 'node:fs'
import { Agent, request } from 'node:http'
import { performance } from 'node:perf_hooks'
import { parseArgs } from 'node:util'
import { writeJobFile } from '@/core/format/job-file'
import type { Since, VersionedJob } from '@/core/job/since'
import { eachVersion, versionOf, withVersions, type Versions } from '@/core/job/versions'
import { quillbackRoad } from '@/demo/quillback'

/*
 * Figures of a running server, none of which a test depends on: what one page, one job and one command cost it in processor
 * time, and how long people wait when many work at once.
 *
 *   npm run bench:crowd -- --port=3000 [--people=50] [--jobs=50] [--seconds=20] [--think=1000]
 */

const { values } = parseArgs({
  options: {
    port: { type: 'string', default: '3000' },
    people: { type: 'string', default: '50' },
    jobs: { type: 'string', default: '50' },
    seconds: { type: 'string', default: '20' },
    /** Between one thing a person does and the next, in ms. */
    think: { type: 'string', default: '1000' },
  },
})
const port = Number(values.port)
const agent = new Agent({ keepAlive: true, maxSockets: 500 })

interface Answer {
  readonly status: number
  readonly body: string
  readonly bytes: number
  readonly milliseconds: number
}

function ask(
  method: string,
  path: string,
  given?: unknown,
  headers: Record<string, string> = {},
): Promise<Answer> {
  const start = performance.now()
  const body = given === undefined ? undefined : typeof given === 'string' ? given : JSON.stringify(given)
  return new Promise((resolve, reject) => {
    const sent = request(
      {
        ...{ host: '127.0.0.1', port, method, path, agent },
        headers: {
          ...headers,
          ...(body === undefined
            ? {}
            : { 'content-type': 'application/json', 'content-length': Buffer.byteLength(body) }),
        },
      },
      answer => {
        const parts: Buffer[] = []
        answer.on('data', (part: Buffer) => parts.push(part))
        answer.on('end', () => {
          const all = Buffer.concat(parts)
          resolve({
            status: answer.statusCode!,
            body: all.toString(),
            bytes: all.length,
            milliseconds: performance.now() - start,
          })
        })
        answer.on('error', reject)
      },
    )
    sent.on('error', reject)
    sent.end(body)
  })
}

/** Which process listens there, to read what it has used. */
function serverPid(): number {
  const lines = execFileSync('ss', ['-ltnpH', `sport = :${port}`], { encoding: 'utf8' })
  const pid = /pid=(\d+)/.exec(lines)?.[1]
  if (!pid) throw new Error(`nothing listens on port ${port}: ./start it first`)
  return Number(pid)
}

const TICK_MILLISECONDS = 10
function processorOf(pid: number): number {
  const fields = readFileSync(`/proc/${pid}/stat`, 'utf8').split(') ')[1]!.split(' ')
  return (Number(fields[11]) + Number(fields[12])) * TICK_MILLISECONDS
}

const at = (sorted: readonly number[], share: number): string =>
  (sorted[Math.floor((sorted.length - 1) * share)] ?? NaN).toFixed(1)

/** So often that what is run every day has been compiled. */
const WARM = 1000

/** One after the other: what each costs the server’s processor. */
async function cost(name: string, times: number, work: (index: number) => Promise<Answer>): Promise<void> {
  for (let warm = 0; warm < WARM; warm++) await work(-1 - warm)
  const pid = serverPid()
  const before = processorOf(pid)
  const took: number[] = []
  let bytes = 0
  for (let index = 0; index < times; index++) {
    const answer = await work(index)
    if (answer.status >= 400) throw new Error(`${name}: ${answer.status} ${answer.body.slice(0, 200)}`)
    took.push(answer.milliseconds)
    bytes = answer.bytes
  }
  const each = (processorOf(pid) - before) / times
  took.sort((a, b) => a - b)
  console.log(
    `${name.padEnd(44)} ${each.toFixed(2).padStart(7)} ms of processor   p50 ${at(took, 0.5)} ms   p99 ${at(took, 0.99)} ms   ${bytes} bytes`,
  )
}

let number = 0
const stamp = Date.now().toString(36)

async function bringIn(name: string): Promise<string> {
  const id = `crowd-${stamp}-${name}`
  const record = quillbackRoad()
  const text = writeJobFile({ record: { ...record, job: { ...record.job, id } }, extra: {} })
  const answer = await ask('POST', '/api/jobs', text)
  if (answer.status !== 201) throw new Error(`bringing in: ${answer.status} ${answer.body.slice(0, 200)}`)
  return id
}

const jobAt = async (jobId: string): Promise<VersionedJob> =>
  JSON.parse((await ask('GET', `/api/jobs/${jobId}`)).body) as VersionedJob

/** Says something of a room: in each job there are several, so people rarely mean the same. */
function rename(jobId: string, versions: Versions, device: string, seen: number, room: string) {
  number++
  return ask('POST', `/api/jobs/${jobId}/commands`, {
    id: `b-${stamp}-${number}`,
    name: 'edit a room',
    boxId: null,
    edits: [
      {
        ...{ kind: 'change', entity: 'rooms', id: room, based: versionOf(versions, 'rooms', room) },
        fields: { floor: `Floor ${number}` },
      },
    ],
    origin: { device, number, seen, by: '' },
  })
}

interface Applied {
  readonly kind: string
  readonly revision: number
  readonly versions: Versions
}

interface Took {
  readonly opening: number[]
  readonly working: number[]
}
const OPENING_MILLISECONDS = 5000

/** A person opens a page, gets what became of the job, and says something of it; then thinks. */
async function person(index: number, jobId: string, until: number, took: Took, kinds: Map<string, number>) {
  // They come one after the other.
  await new Promise(resolve => setTimeout(resolve, Math.random() * OPENING_MILLISECONDS))
  for (const [path, accept] of [
    [`/jobs/${jobId}`, 'text/html'],
    [`/api/jobs/${jobId}`, 'application/gzip'],
  ] as const)
    took.opening.push((await ask('GET', path, undefined, { accept })).milliseconds)
  const job = await jobAt(jobId)
  let { versions } = job
  const rooms = Object.keys(job.record.rooms)
  const room = rooms[index % rooms.length]!
  let seen = job.revision
  await new Promise(resolve => setTimeout(resolve, Math.random() * Number(values.think)))
  while (performance.now() < until) {
    const page = await ask('GET', `/jobs/${jobId}/boxes/any/test`, undefined, { accept: 'text/html' })
    const since = await ask('GET', `/api/jobs/${jobId}?having=${job.line}.${seen}`)
    const news = JSON.parse(since.body) as Since
    seen = news.revision
    versions = withVersions(versions, news.rows)
    const said = await rename(jobId, versions, `person-${index}`, seen, room)
    const answer = JSON.parse(said.body) as Applied
    kinds.set(answer.kind, (kinds.get(answer.kind) ?? 0) + 1)
    if (answer.kind === 'applied') versions = withVersions(versions, eachVersion(answer.versions))
    took.working.push(page.milliseconds, since.milliseconds, said.milliseconds)
    await new Promise(resolve => setTimeout(resolve, Number(values.think) * (0.5 + Math.random())))
  }
}

async function crowd(people: number, jobs: readonly string[]): Promise<void> {
  const took: Took = { opening: [], working: [] }
  const kinds = new Map<string, number>()
  const pid = serverPid()
  const before = processorOf(pid)
  const start = performance.now()
  const until = start + Number(values.seconds) * 1000
  await Promise.all(
    Array.from({ length: people }, (_, index) =>
      person(index, jobs[index % jobs.length]!, until, took, kinds),
    ),
  )
  const seconds = (performance.now() - start) / 1000
  const share = (processorOf(pid) - before) / seconds / 10
  for (const times of Object.values(took)) (times as number[]).sort((a, b) => a - b)
  const { opening, working } = took
  console.log(
    `${`${people} people, ${jobs.length === 1 ? 'one job' : `${jobs.length} jobs`}`.padEnd(24)} ${(working.length / seconds).toFixed(0)} answers a second   p50 ${at(working, 0.5)} ms   p99 ${at(working, 0.99)} ms   most ${at(working, 1)} ms   opening p99 ${at(opening, 0.99)} ms   processor ${share.toFixed(0)} %   ${[...kinds].map(([kind, many]) => `${many} ${kind}`).join(', ')}`,
  )
}

async function main() {
  const jobs = await Promise.all(
    Array.from({ length: Number(values.jobs) }, (_, index) => bringIn(String(index))),
  )
  try {
    const [first] = jobs
    const job = await jobAt(first!)
    await cost('A page', 1000, () => ask('GET', `/jobs/${first}`, undefined, { accept: 'text/html' }))
    await cost('A job, whole and packed', 1000, () =>
      ask('GET', `/api/jobs/${first}`, undefined, { accept: 'application/gzip' }),
    )
    await cost('A job, of which nothing is new', 1000, () =>
      ask('GET', `/api/jobs/${first}?having=${job.line}.${job.revision}`),
    )
    let { versions } = job
    const room = Object.keys(job.record.rooms)[0]!
    let seen = job.revision
    await cost('A command', 1000, async () => {
      const answer = await rename(first!, versions, 'alone', seen, room)
      const said = JSON.parse(answer.body) as Applied
      versions = withVersions(versions, eachVersion(said.versions))
      seen = said.revision
      return answer
    })
    await crowd(Number(values.people), jobs)
    await crowd(20, jobs.slice(0, 1))
  } finally {
    for (const jobId of jobs) await ask('DELETE', `/api/jobs/${jobId}`)
    agent.destroy()
  }
}

await main()
