import { createHash } from 'node:crypto'
import { promisify } from 'node:util'
import { gzip } from 'node:zlib'
import { havingFrom, type Since, type VersionedJob } from '@/core/job/since'
import type { DeviceModel } from '@/core/model/device'
import type { Trade } from '@/core/model/trade'
import { REGION_IDS, type RegionId } from '@/core/model/vocabulary'
import { currentTrade, tradeAt } from './catalogue'
import { loadSince, loadStanding, standing } from './jobs'

/** What a page gets of a job: the whole of it, or what became of what it has. */
export type Opened = (VersionedJob | Since) & {
  /** One of the made-up houses: it may be measured with a simulated tester. */
  readonly demo: boolean
  /** Where what a job of this region can ask for is found (`/api/trade/…`); another name whenever it says something else. */
  readonly trade: string
  /** Devices of other regions that stand in it already. */
  readonly alsoUsed: readonly DeviceModel[]
}

/** How a job stands for who has it so far, and the job itself; null where there is none. */
export async function openJob(
  jobId: string,
  having: string | null,
): Promise<{ readonly job: VersionedJob; readonly opened: Opened } | null> {
  const now = await standing(jobId)
  const job = now && (await loadStanding(jobId, now))
  if (!job) return null
  const trade = await tradeAt(now.catalogue)
  const { record } = job
  const used = new Set(
    [...Object.values(record.devices), ...Object.values(record.choices)].map(row => row.modelId),
  )
  const foreign = trade.devices.filter(
    device => used.has(device.id) && !device.regions.includes(record.job.regionId),
  )
  const opened = {
    ...((await loadSince(job, havingFrom(having))) ?? job),
    demo: now.demo,
    trade: `${record.job.regionId}/${tradeOf(record.job.regionId, trade).name}`,
    alsoUsed: foreign,
  }
  return { job, opened }
}

interface Named {
  readonly name: string
  readonly trade: Trade
}

/** The catalogue and the trade’s figures for one region, by the name it was told under; null where that is no more so. */
export async function tradeNamed(regionId: string, name: string): Promise<Trade | null> {
  const region = REGION_IDS.find(id => id === regionId)
  if (!region) return null
  const named = tradeOf(region, await currentTrade())
  return named.name === name ? named.trade : null
}

const known = new WeakMap<Trade, Map<RegionId, Named>>()

function tradeOf(regionId: RegionId, all: Trade): Named {
  const regions = known.get(all) ?? new Map<RegionId, Named>()
  known.set(all, regions)
  let named = regions.get(regionId)
  if (!named) {
    const trade = { ...all, devices: all.devices.filter(device => device.regions.includes(regionId)) }
    const name = createHash('sha256').update(JSON.stringify(trade)).digest('hex').slice(0, 16)
    regions.set(regionId, (named = { name, trade }))
  }
  return named
}

const PACKED = 'application/gzip'
const pack = promisify(gzip)
const packed = new WeakMap<object, { readonly as: string; readonly bytes: Promise<Buffer> }>()

/**
 * Answers with JSON, packed where that is asked for (`Accept: application/gzip`): once for as long as what it tells of is
 * held and said the same way.
 */
export async function packedJson(
  request: Request,
  {
    of,
    as,
    headers = {},
  }: { readonly of: object; readonly as: string; readonly headers?: Record<string, string> },
  value: unknown,
): Promise<Response> {
  if (request.headers.get('accept') !== PACKED) return Response.json(value, { headers })
  let known = packed.get(of)
  if (known?.as !== as) packed.set(of, (known = { as, bytes: pack(JSON.stringify(value)) }))
  return new Response(new Uint8Array(await known.bytes), { headers: { ...headers, 'content-type': PACKED } })
}
