import { performance } from 'node:perf_hooks'
import { parseArgs } from 'node:util'
import { writeJobFile } from '@/core/format/job-file'
import { quillbackRoad } from '@/demo/quillback'
import { usualBox } from '@/demo/usual'

/*
 * Sends job files and commands that were changed at random to a running server: none may be answered as a fault of the server’s,
 * none may hold up others for a second, and what was refused may have left nothing.
 *
 *   npm run bench:mutated -- --port=3000 [--many=10000] [--seed=1]
 */

const { values } = parseArgs({
  options: {
    port: { type: 'string', default: '3000' },
    many: { type: 'string', default: '10000' },
    seed: { type: 'string', default: '1' },
  },
})
const base = `http://127.0.0.1:${values.port}`
const jobId = `mutated-${Date.now().toString(36)}`

let drawn = Number(values.seed)
const random = (): number => {
  drawn = (drawn * 48_271 + 11) % 2_147_483_647
  return drawn / 2_147_483_647
}
const below = (most: number): number => Math.floor(random() * most)
const oneOf = <Of>(list: readonly Of[]): Of => list[below(list.length)]!

/** What is put where something else was. */
const ODD: readonly unknown[] = [
  ...[
    null,
    true,
    false,
    0,
    -1,
    1e308,
    -0.5,
    9007199254740993,
    '',
    ' ',
    'constructor',
    '__proto__',
    'hasOwnProperty',
  ],
  ...[
    '\ud83d',
    '\u0000',
    '\u202e',
    'é'.repeat(300),
    'x'.repeat(100_000),
    '2026-02-30T10:00:00.000Z',
    '9999-99-99',
  ],
  ...[
    "'; DROP TABLE jobs; --",
    '=cmd()',
    '../../x',
    [],
    {},
    [[[[]]]],
    { constructor: { prototype: 1 } },
    [null],
    Infinity,
  ],
]

type Loose = Record<string, unknown>

/** Every place in a value that can be changed. */
function placesIn(value: unknown, found: [Loose, string][] = []): [Loose, string][] {
  if (value !== null && typeof value === 'object')
    for (const key of Object.keys(value)) {
      found.push([value as Loose, key])
      placesIn((value as Loose)[key], found)
    }
  return found
}

function mutated(given: unknown): string {
  const value = structuredClone(given)
  for (let times = 1 + below(3); times > 0; times--) {
    const places = placesIn(value)
    if (places.length === 0) break
    const [holder, key] = oneOf(places)
    const does = below(5)
    if (does === 0) delete holder[key]
    else if (does === 1) holder[key] = oneOf(ODD)
    else if (does === 2) holder[String(oneOf(ODD))] = oneOf(ODD)
    else if (does === 3) {
      const [other, from] = oneOf(places)
      holder[key] = structuredClone(other[from])
    } else if (typeof holder[key] === 'string') holder[key] = mangled(holder[key])
    else holder[key] = oneOf(ODD)
  }
  const text = JSON.stringify(value)
  // Now and then the text itself is broken.
  return below(6) === 0 ? mangled(text) : text
}

function mangled(text: string): string {
  const at = below(text.length + 1)
  const kind = below(4)
  if (kind === 0) return text.slice(0, at)
  if (kind === 1) return text.slice(0, at) + String.fromCharCode(below(0xffff)) + text.slice(at)
  if (kind === 2) return text.slice(0, at) + text.slice(at + 1 + below(20))
  return text.slice(0, at) + text.slice(Math.max(0, at - below(50)))
}

const post = (path: string, body: string) =>
  fetch(base + path, { method: 'POST', headers: { 'content-type': 'application/json' }, body })

async function main(): Promise<void> {
  const { record } = usualBox({ isolated: true })
  const file: unknown = JSON.parse(
    writeJobFile({ record: { ...record, job: { ...record.job, id: jobId } }, extra: {} }),
  )
  const house: unknown = JSON.parse(writeJobFile({ record: quillbackRoad(), extra: {} }))
  const brought = await post('/api/jobs', JSON.stringify(file))
  if (brought.status !== 201) throw new Error(`bringing in: ${brought.status} ${await brought.text()}`)
  const commands: unknown[] = [
    {
      edits: [
        { kind: 'change', entity: 'boxes', id: 'box', based: 1, fields: { note: 'x', depthMillimetres: 60 } },
      ],
    },
    {
      edits: [
        {
          kind: 'add',
          entity: 'rooms',
          row: { id: 'more', name: 'More', floor: '', kind: 'wet', position: 2 },
        },
      ],
    },
    { edits: [{ kind: 'remove', entity: 'cables', id: Object.keys(record.cables)[0], based: 1 }] },
    { undoes: 'something' },
  ].map(each => ({
    ...{ id: 'm', name: 'undoes' in each ? 'undo' : 'edit a box', boxId: 'box', ...each },
    origin: { device: 'd', number: 1, seen: 0, by: '' },
  }))

  const statuses = new Map<string, number>()
  const faults: string[] = []
  const stored: string[] = []
  let slowest = 0
  let working = true
  // Somebody who only wants an answer meanwhile.
  const other = (async () => {
    while (working) {
      const start = performance.now()
      await fetch(`${base}/api/jobs/${jobId}?having=none`).then(answer => answer.arrayBuffer())
      slowest = Math.max(slowest, performance.now() - start)
      await new Promise(resolve => setTimeout(resolve, 40))
    }
  })()
  const before = ((await (await fetch(`${base}/api/jobs`)).json()) as unknown[]).length
  const many = Number(values.many)
  for (let at = 0; at < many; at++) {
    const isFile = at % 2 === 0
    const given = isFile ? (at % 200 === 0 ? house : file) : oneOf(commands)
    const body = mutated(isFile || typeof given !== 'object' ? given : { ...given, id: `m${at}` })
    const answer = await post(isFile ? '/api/jobs' : `/api/jobs/${jobId}/commands`, body)
    const key = `${isFile ? 'file' : 'command'} ${answer.status}`
    statuses.set(key, (statuses.get(key) ?? 0) + 1)
    const said = await answer.text()
    if (answer.status >= 500) faults.push(`${body.slice(0, 300)} → ${said}`)
    if (isFile && answer.status === 201) stored.push((JSON.parse(said) as { id: string }).id)
  }
  working = false
  await other
  const after = (await (await fetch(`${base}/api/jobs`)).json()) as { id: string }[]
  let half = 0
  for (const id of new Set(stored)) {
    // What was stored goes out and comes in again: nothing of it was left out.
    const out = await fetch(`${base}/api/jobs/${id}/file`)
    if (out.status !== 200) half++
    await fetch(`${base}/api/jobs/${id}`, { method: 'DELETE' })
  }
  console.log(
    `${many} sent: ${[...statuses]
      .sort()
      .map(([key, times]) => `${key}: ${times}`)
      .join(', ')}`,
  )
  console.log(
    `faults of the server: ${faults.length}${faults
      .slice(0, 3)
      .map(each => `\n  ${each}`)
      .join('')}`,
  )
  console.log(`longest wait of somebody else: ${slowest.toFixed(0)} ms`)
  console.log(
    `jobs before ${before}, answered as stored ${new Set(stored).size}, there after ${after.length}; of them not whole ${half}`,
  )
  await fetch(`${base}/api/jobs/${jobId}`, { method: 'DELETE' })
  const wrong = after.length - before - new Set(stored).size
  process.exit(faults.length > 0 || slowest > 1000 || wrong !== 0 || half > 0 ? 1 : 0)
}

await main()
