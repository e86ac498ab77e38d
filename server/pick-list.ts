import { pickList } from '@/core/pick'
import { currentTrade } from './catalogue'
import { csvOf } from './csv'
import { loadJob } from './jobs'
import { loadVan } from './van'

/** The pick list of a job as a table, what is in the van taken off, with the name of its house; null where there is no such job. */
export async function pickListCsv(
  jobId: string,
): Promise<{ readonly house: string; readonly text: string } | null> {
  const job = await loadJob(jobId)
  if (!job) return null
  const rows = pickList(job.record, await currentTrade(), await loadVan()).map(
    ({ kind, what, needed, inVan, toBuy, priceEach, places }) => [
      kind,
      what,
      needed,
      inVan,
      toBuy,
      priceEach ?? '',
      places.join('; '),
    ],
  )
  const head = ['kind', 'what', 'needed', 'in the van', 'to buy', 'price each', 'where']
  return {
    house: job.record.job.name,
    text: csvOf([head, ...rows]),
  }
}
