import { cpus } from 'node:os'
import { trade } from '@/catalogue'
import { checkJob } from '@/core/check'
import { boxView } from '@/core/job/box-view'
import { emptyRecord, type JobRecord } from '@/core/model/record'
import { planBox, progressOfJob } from '@/core/plan'
import { prove } from '@/core/prove'
import { plannedCircuit, routeBox } from '@/core/route'
import { AS_IT_COMES, read } from '@/core/read'
import { Trial } from '@/core/trial'
import { companionChain, plainPlaces } from '@/demo/places'
import { quillbackRoad } from '@/demo/quillback'
import { usualBox } from '@/demo/usual'
import { benchIdentify } from './identify'
import { benchPlan, benchRoute } from './route'
import { benchSetup } from './setup'

/** One question alone, as `npm run bench -- Route`; all where none is named. */
const only = process.argv[2] ?? ''

/** Figures only: no test depends on them. Best and median of `rounds`, in milliseconds. */
function measure(name: string, rounds: number, work: () => unknown): void {
  if (!name.startsWith(only)) return
  for (let warm = 0; warm < Math.min(rounds, 20); warm++) work()
  const times = Array.from({ length: rounds }, () => {
    const start = performance.now()
    work()
    return performance.now() - start
  }).sort((a, b) => a - b)
  const at = (share: number) => times[Math.floor((times.length - 1) * share)]!.toFixed(3).padStart(9)
  console.log(`${name.padEnd(58)} best ${at(0)} ms   median ${at(0.5)} ms   95 % ${at(0.95)} ms`)
}

/** The demo house several times over: `copies` × 12 boxes, each with ids of its own. */
function manyHouses(copies: number): JobRecord {
  const one = quillbackRoad()
  const record = { ...emptyRecord(one.job) } as unknown as Record<string, Record<string, unknown>>
  const tables = one as unknown as Record<string, Record<string, Record<string, unknown>>>
  for (let copy = 0; copy < copies; copy++)
    for (const table of Object.keys(record)) {
      if (table === 'job') continue
      for (const row of Object.values(tables[table]!)) {
        const renamed = Object.fromEntries(
          Object.entries(row).map(([name, value]) => [
            name,
            typeof value === 'string' &&
            (name === 'id' || name.endsWith('Id')) &&
            name !== 'modelId' &&
            name !== 'ruleId'
              ? `${value}-${copy}`
              : value,
          ]),
        )
        record[table]![String(renamed.id)] = renamed
      }
    }
  return record as unknown as JobRecord
}

console.log(`${cpus()[0]?.model ?? 'unknown processor'}, ${cpus().length} cores, Node ${process.version}`)

const dimmer = usualBox({ choice: 'dimmer-led-150-neutral' })
const routed = routeBox(dimmer, trade)
if (!routed.ok) throw new Error('the bench box cannot be routed')
const circuit = plannedCircuit(dimmer, routed.value, trade)
measure('Prove: one place, dimmer with neutral, 2 states', 500, () => prove(circuit))

for (const places of [2, 3, 4, 8, 12, 16]) {
  const row = plainPlaces({ places, supplyAt: 0, loadAt: places - 1 })
  measure(`Prove: ${places} plain places in a row, ${2 ** places} states`, places > 8 ? 10 : 100, () =>
    prove(row),
  )
}
const largest = plainPlaces({ places: 16, supplyAt: 0, loadAt: 15 })
const bytes = (work: () => unknown): number => {
  globalThis.gc?.()
  const before = process.memoryUsage()
  const kept = work()
  const after = process.memoryUsage()
  const used = after.heapUsed + after.arrayBuffers - before.heapUsed - before.arrayBuffers
  return kept ? used : 0
}
if ('Prove'.startsWith(only))
  console.log(
    `Prove: 16 plain places, memory at its end`.padEnd(58),
    `${(bytes(() => prove(largest)) / 1e6).toFixed(1)} MB`,
  )
for (const companions of [1, 3, 7]) {
  const chain = companionChain(companions)
  measure(`Prove: a dimmer with ${companions} companions`, companions > 3 ? 5 : 50, () => prove(chain))
}
const meter = { instrument: 'high-impedance-meter', from: 'lamp:hot', to: 'lamp:neutral' } as const
measure('Read: a meter in 16 places, solved anew', 100, () => read(largest, AS_IT_COMES, meter))
const trial = new Trial(largest)
measure('Try by hand: one flip in 16 places, all points told', 200, () =>
  trial.act({ kind: 'do', device: 'place7', event: 'toggle' }),
)

// A copy each time, as after an edit: nothing that hangs on the record is remembered.
const house = manyHouses(5)
const boxes = Object.keys(house.boxes).length
const models = trade.devices.filter(device => device.stock === 'new').length
const sixty = { ...house, places: Object.fromEntries(Object.entries(house.places).slice(0, 60)) }
const forty = {
  ...trade,
  devices: [
    ...trade.devices.filter(({ stock }) => stock !== 'new'),
    ...trade.devices
      .filter(({ stock, regions }) => stock === 'new' && regions.includes('north-america-120'))
      .slice(0, 40),
  ],
}
measure('Check: 60 places × 40 device models', 20, () => checkJob({ ...sixty }, forty))
measure(`Check: ${boxes} boxes × ${models} device models`, 20, () => checkJob({ ...house }, trade))
measure(`Route and plan: ${boxes} boxes`, 20, () => {
  const edited = { ...house }
  return Object.keys(edited.boxes).map(id => planBox(boxView(edited, id)!, trade))
})
measure(`Progress of all stages: ${boxes} boxes`, 20, () => progressOfJob({ ...house }, trade))
benchRoute(measure)
if ('Plan'.startsWith(only)) benchPlan(measure, manyHouses(3))
benchSetup(measure)
// Last: it takes many minutes.
if ('Identify'.startsWith(only)) benchIdentify()
