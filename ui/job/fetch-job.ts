import { havingWords, isSince, withSince, type Having, type Since, type VersionedJob } from '@/core/job/since'
import type { Command, UndoCommand } from '@/core/job/command'
import type { DeviceModel } from '@/core/model/device'
import type { Trade } from '@/core/model/trade'
import { fetchEarly, fetchPacked, unpacked } from '../browser/early'
import type { KeptJob } from './browser-db'
import { openDevice } from './device'
import { forgetJob, keptJob } from './kept-job'
import { takeOverOld } from './taken-over'
import { unsentOf } from './unsent'

/** A job as a page begins with it. */
export interface OpenedJob extends Omit<KeptJob, 'jobId' | 'at'> {
  /** When it was known last how things stand; null where that is now. */
  readonly keptAt: string | null
  /** What was done in this browser and not answered so far. */
  readonly unsent: readonly (Command | UndoCommand)[]
}

type Answer = (VersionedJob | Since) & {
  readonly demo: boolean
  readonly trade: string
  readonly alsoUsed: readonly DeviceModel[]
}

const pathOf = (jobId: string, having: Having | null) =>
  `/api/jobs/${jobId}${having ? `?having=${havingWords(having)}` : ''}`

async function answerFrom(asked: Promise<Response>): Promise<Answer | null> {
  const answer = await asked
  if (answer.status === 404) return null
  if (!answer.ok) throw new Error(`the server answered ${answer.status}`)
  return unpacked(answer) as Promise<Answer>
}

/** The job as it stands, or what became of it after what is here; null where it is no longer there. */
export const fetchJob = (jobId: string, having: Having | null): Promise<VersionedJob | Since | null> =>
  answerFrom(fetchPacked(pathOf(jobId, having)))

/**
 * Opens a job: what became of it since it was here last, or all of it; without a connection as it was here last. Null where there is no
 * such job; fails where nothing is known of it here.
 */
export async function openJob(jobId: string): Promise<OpenedJob | null> {
  const [found, unsent] = await Promise.all([foundNow(jobId), keptUnsent(jobId)])
  return found && { ...found, unsent }
}

/** Nothing is numbered, kept or sent before what was kept is known. */
async function keptUnsent(jobId: string): Promise<OpenedJob['unsent']> {
  await openDevice()
  await takeOverOld(jobId)
  return unsentOf(jobId)
}

async function foundNow(jobId: string): Promise<Omit<OpenedJob, 'unsent'> | null> {
  const kept = await keptJob(jobId)
  try {
    const opened = await openedNow(jobId, kept)
    if (!opened && kept) void forgetJob(jobId)
    return opened && { ...opened, keptAt: null }
  } catch (error) {
    if (!kept) throw error
    const { job, trade, said, demo, at } = kept
    return { job, trade, said, demo, keptAt: at }
  }
}

async function openedNow(
  jobId: string,
  kept: KeptJob | null,
): Promise<Omit<OpenedJob, 'keptAt' | 'unsent'> | null> {
  const answer = await answerFrom(fetchEarly(pathOf(jobId, kept?.job ?? null)))
  if (!answer) return null
  const job = isSince(answer) ? kept && withSince(kept.job, answer) : whole(answer)
  // What came does not follow on what is here.
  if (!job) return openedNow(jobId, null)
  const said = tradeWords(answer)
  const trade = kept?.said === said ? kept.trade : await tradeOf(answer)
  return { job, trade, said, demo: answer.demo }
}

const whole = ({ record, versions, revision, line }: VersionedJob): VersionedJob => ({
  record,
  versions,
  revision,
  line,
})

type TradeOf = Pick<Answer, 'trade' | 'alsoUsed'>

const tradeWords = ({ trade, alsoUsed }: TradeOf): string => `${trade} ${JSON.stringify(alsoUsed)}`

async function tradeOf({ trade, alsoUsed }: TradeOf): Promise<Trade> {
  const answer = await fetchPacked(`/api/trade/${trade}`, 'default')
  if (!answer.ok) throw new Error(`the server answered ${answer.status}`)
  const found = (await unpacked(answer)) as Trade
  return alsoUsed.length === 0 ? found : { ...found, devices: [...found.devices, ...alsoUsed] }
}

/** What a job can ask for now: another region, other devices. */
export async function fetchTrade(jobId: string, having: Having): Promise<Trade | null> {
  const answer = await answerFrom(fetchPacked(pathOf(jobId, having)))
  return answer && tradeOf(answer)
}
