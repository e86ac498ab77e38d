import { execFileSync, spawn, type ChildProcess } from 'node:child_process'
import { mkdirSync, readFileSync } from 'node:fs'
import path from 'node:path'
import { parseArgs } from 'node:util'
import { chromium, type BrowserContext, type Page } from '@playwright/test'
import mysql, { type RowDataPacket } from 'mysql2/promise'
import { writeJobFile } from '@/core/format/job-file'
import { usualBox } from '@/demo/usual'

/*
 * Kills servers, the database, both and a page, again and again, while people work; then looks whether all that was acknowledged is
 * there, once and whole. It has a database of its own (`.data/kills-database`) and two servers of the last build.
 *
 *   npm run bench:kills -- [--kills=1000] [--people=4] [--seed=1]
 */

const { values } = parseArgs({
  options: {
    kills: { type: 'string', default: '1000' },
    people: { type: 'string', default: '4' },
    seed: { type: 'string', default: '1' },
  },
})
const KILLS = Number(values.kills)
const ROOT = path.resolve(import.meta.dirname, '..')
const DATA = path.join(ROOT, '.data')
const PORTS = [3431, 3432] as const
const DATABASE_PORT = '33320'
const jobId = `kills-${Date.now().toString(36)}`

let drawn = Number(values.seed)
/** The same every time for one seed. */
const random = (): number => {
  drawn = (drawn * 48_271 + 11) % 2_147_483_647
  return drawn / 2_147_483_647
}
const pause = (milliseconds: number) => new Promise(resolve => setTimeout(resolve, milliseconds))

// ---- what is killed

let urls = { database: '', owner: '' }
const startDatabase = (): void => {
  const script = `DATA=${DATA}; . scripts/common.sh; start_database kills-database ${DATABASE_PORT} >&2; printf '%s %s' "$DATABASE_URL" "$MIGRATE_URL"`
  const said = execFileSync('bash', ['-c', script], { cwd: ROOT, encoding: 'utf8' })
  const [database, owner] = said.trim().split(' ')
  urls = { database: database!, owner: owner! }
}
const killDatabase = (): void => {
  const pid = Number(readFileSync(path.join(DATA, 'kills-database', 'db.pid'), 'utf8'))
  process.kill(pid, 'SIGKILL')
}

const servers = new Map<number, ChildProcess>()
const startServer = (port: number): void => {
  const server = spawn(process.execPath, ['.next/standalone/server.js'], {
    cwd: ROOT,
    stdio: 'ignore',
    env: {
      ...process.env,
      DATABASE_URL: urls.database,
      PORT: String(port),
      HOSTNAME: '127.0.0.1',
      LOG_LEVEL: 'silent',
      NODE_ENV: 'production',
    },
  })
  servers.set(port, server)
}
const isUp = (port: number): Promise<boolean> =>
  fetch(`http://127.0.0.1:${port}/api/health`).then(
    answer => answer.ok,
    () => false,
  )
const untilUp = async (port: number): Promise<void> => {
  while (!(await isUp(port))) await pause(50)
}

// ---- people

interface Acknowledged {
  readonly id: string
  readonly room: string
  readonly revision: number
}
const acknowledged: Acknowledged[] = []
const surprises: string[] = []
const tally = { tries: 0, failed: 0 }
let working = true

/** Adds rooms, each until it is acknowledged, to whichever server answers. */
async function person(name: string): Promise<void> {
  for (let at = 1; working; at++) {
    const id = `${name}-${at}`
    const command = {
      ...{ id, name: 'add a room', boxId: null },
      edits: [
        {
          ...{ kind: 'add', entity: 'rooms' },
          row: { id, name: `Room ${id}`, floor: '', kind: 'not-said', position: 1 },
        },
      ],
      origin: { device: name, number: at, seen: 0, by: '' },
    }
    for (let tried = 0; ; tried++) {
      const port = PORTS[(at + tried) % PORTS.length]!
      tally.tries++
      try {
        const answer = await fetch(`http://127.0.0.1:${port}/api/jobs/${jobId}/commands`, {
          method: 'POST',
          headers: { 'content-type': 'application/json' },
          body: JSON.stringify(command),
          signal: AbortSignal.timeout(20_000),
        })
        if (answer.status >= 500) throw new Error(String(answer.status))
        const said = (await answer.json()) as { kind: string; revision: number }
        if (said.kind === 'applied') acknowledged.push({ id, room: id, revision: said.revision })
        else surprises.push(`${id}: ${JSON.stringify(said).slice(0, 200)}`)
        break
      } catch {
        tally.failed++
        await pause(30 + random() * 100)
      }
    }
  }
}

// ---- a page

interface Desk {
  readonly context: BrowserContext
  page: Page
  /** What was pressed last and taken. */
  pressed: string | null
}
const MATERIALS = ['Metal', 'Plastic'] as const

async function opened(desk: Desk): Promise<void> {
  for (;;) {
    const port = PORTS[0]
    await untilUp(port)
    try {
      desk.page = await desk.context.newPage()
      await desk.page.goto(`http://127.0.0.1:${port}/jobs/${jobId}/boxes/box/look`, { timeout: 20_000 })
      await desk.page.locator('[data-save="saved"]').waitFor({ timeout: 30_000 })
      return
    } catch {
      await desk.page.close().catch(() => undefined)
    }
  }
}

/** Presses until the page is killed in the middle of it; what it took before that has to be there when it is opened again. */
async function pressAndKill(desk: Desk): Promise<void> {
  const material = desk.page.getByRole('group', { name: 'Material', exact: true })
  try {
    const presses = 1 + Math.floor(random() * 4)
    for (let press = 0; press < presses; press++) {
      const next: string = desk.pressed === MATERIALS[0] ? MATERIALS[1] : MATERIALS[0]
      await material.getByRole('radio', { name: next, exact: true }).check({ timeout: 10_000 })
      desk.pressed = next
    }
    await pause(random() * 60)
  } catch (error) {
    surprises.push(`a page could not be worked: ${String(error).slice(0, 200)}`)
  }
  const client = await desk.context.newCDPSession(desk.page)
  // It goes as if its process had died: nothing of the page runs any more.
  void client.send('Page.crash').catch(() => undefined)
  await pause(50)
  void desk.page.close().catch(() => undefined)
}

async function lookAgain(desk: Desk, db: mysql.Pool): Promise<void> {
  await opened(desk)
  const [rows] = await db.query<RowDataPacket[]>('SELECT material FROM boxes WHERE job_id = ?', [jobId])
  const there = String(rows[0]?.material)
  if (desk.pressed !== null && there !== desk.pressed.toLowerCase())
    surprises.push(`a page had taken ${desk.pressed}; ${there} is there`)
}

// ---- all of it

type Kill = 'server' | 'database' | 'both' | 'page'
const KINDS: readonly Kill[] = [
  ...Array<Kill>(14).fill('server'),
  ...Array<Kill>(3).fill('database'),
  'both',
  'page',
  'page',
]

async function main(): Promise<void> {
  mkdirSync(DATA, { recursive: true })
  startDatabase()
  execFileSync('npx', ['tsx', 'server/prepare.ts'], {
    cwd: ROOT,
    env: { ...process.env, DATABASE_URL: urls.database, MIGRATE_URL: urls.owner },
  })
  for (const port of PORTS) startServer(port)
  for (const port of PORTS) await untilUp(port)
  const { record } = usualBox()
  const brought = await fetch(`http://127.0.0.1:${PORTS[0]}/api/jobs`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: writeJobFile({ record: { ...record, job: { ...record.job, id: jobId } }, extra: {} }),
  })
  if (brought.status !== 201) throw new Error(`bringing in: ${brought.status}`)
  const roomsBefore = Object.keys(record.rooms).length
  const browser = await chromium.launch({
    executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
    args: ['--no-sandbox'],
  })
  const desk: Desk = { context: await browser.newContext(), page: null as never, pressed: null }
  await opened(desk)
  const db = mysql.createPool(urls.database)
  const people = Array.from({ length: Number(values.people) }, (_, at) => person(`p${at}`))
  const done: Record<Kill, number> = { server: 0, database: 0, both: 0, page: 0 }
  const start = Date.now()
  for (let kill = 1; kill <= KILLS; kill++) {
    const kind = KINDS[Math.floor(random() * KINDS.length)]!
    const port = PORTS[Math.floor(random() * PORTS.length)]!
    await pause(random() * 150)
    if (kind === 'page') {
      await pressAndKill(desk)
      await lookAgain(desk, db)
    }
    if (kind === 'server' || kind === 'both') servers.get(port)!.kill('SIGKILL')
    if (kind === 'database' || kind === 'both') {
      killDatabase()
      await pause(random() * 100)
      startDatabase()
    }
    if (kind === 'server' || kind === 'both') startServer(port)
    await untilUp(port)
    done[kind]++
    if (kill % 50 === 0)
      console.log(
        `${kill} kills, ${acknowledged.length} acknowledged, ${surprises.length} surprises, ${Math.round((Date.now() - start) / 1000)} s`,
      )
  }
  working = false
  await Promise.all(people)
  await opened(desk)
  const [log] = await db.query<RowDataPacket[]>('SELECT id, revision FROM command_log WHERE job_id = ?', [
    jobId,
  ])
  const [rooms] = await db.query<RowDataPacket[]>('SELECT id, name, version FROM rooms WHERE job_id = ?', [
    jobId,
  ])
  const [jobs] = await db.query<RowDataPacket[]>('SELECT revision FROM jobs WHERE id = ?', [jobId])
  const logged = new Map(log.map(row => [String(row.id), Number(row.revision)]))
  const there = new Map(rooms.map(row => [String(row.id), row]))
  const lost = acknowledged.filter(
    ({ id, room, revision }) => logged.get(id) !== revision || !there.has(room),
  )
  const halved = rooms.filter(row => row.name !== `Room ${String(row.id)}` && String(row.id).startsWith('p'))
  const twice = rooms.filter(row => String(row.id).startsWith('p') && Number(row.version) !== 1)
  const unaccounted = rooms.length - roomsBefore - acknowledged.length
  const gaps = Number(jobs[0]!.revision) - log.length
  console.log(
    `kills: ${KILLS} (${Object.entries(done)
      .map(([kind, many]) => `${kind} ${many}`)
      .join(', ')})`,
  )
  console.log(`requests: ${tally.tries}, of which ${tally.failed} were not answered`)
  console.log(
    `acknowledged: ${acknowledged.length}; lost ${lost.length}, halved ${halved.length}, twice ${twice.length}`,
  )
  console.log(`rows nobody was told of: ${unaccounted}; revisions without a command: ${gaps}`)
  console.log(
    `surprises: ${surprises.length}${surprises
      .slice(0, 5)
      .map(each => `\n  ${each}`)
      .join('')}`,
  )
  await browser.close()
  await db.end()
  for (const server of servers.values()) server.kill('SIGKILL')
  killDatabase()
  const bad =
    lost.length + halved.length + twice.length + Math.abs(unaccounted) + Math.abs(gaps) + surprises.length
  process.exit(bad > 0 ? 1 : 0)
}

await main()
