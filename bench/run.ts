import { cpus } from 'node:os'
import { trade } from '@/catalogue'
import { checkJob } from '@/core/check'
import { boxView } from '@/core/job/box-view'
import { emptyRecord, type JobRecord } from '@/core/model/record'
import { planBox, progressOfJob } from '@/core/plan'
import { prove } from '@/core/prove'
import { plannedCircuit, routeBox } from '@/core/route'
import { quillbackRoad } from '@/demo/quillback'
import { usualBox } from '@/demo/usual'

/** Figures only: no test depends on them. Best and median of `rounds`, in milliseconds. */
function measure(name: string, rounds: number, work: () => unknown): void {
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

const switches = usualBox({ choice: 'switch-plain-15' })
const plain = routeBox(switches, trade)
if (!plain.ok) throw new Error('the bench box cannot be routed')
const base = plannedCircuit(switches, plain.value, trade)
for (const places of [4, 8, 12]) {
  const devices = Array.from({ length: places }, (_, index) => ({ ...base.devices[0]!, id: `d${index}` }))
  measure(`Prove: ${places} devices, ${2 ** places} states`, places > 8 ? 3 : 20, () =>
    prove({ ...base, devices, plan: null, joints: base.joints }),
  )
}

// A copy each time, as after an edit: nothing that hangs on the record is remembered.
const house = manyHouses(5)
const boxes = Object.keys(house.boxes).length
const models = trade.devices.filter(device => device.stock === 'new').length
measure(`Check: ${boxes} boxes × ${models} device models`, 20, () => checkJob({ ...house }, trade))
measure(`Route and plan: ${boxes} boxes`, 20, () => {
  const edited = { ...house }
  return Object.keys(edited.boxes).map(id => planBox(boxView(edited, id)!, trade))
})
measure(`Progress of all stages: ${boxes} boxes`, 20, () => progressOfJob({ ...house }, trade))
