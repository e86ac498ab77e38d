import { bringIn } from '@/server/bring-in'
import { answered, bodyOf, bytesOf } from '@/server/http'
import { listJobs } from '@/server/jobs'
import { bringInWhole, MOST_WHOLE_BYTES } from '@/server/whole-job'

export const GET = () => answered(async () => Response.json(await listJobs()))

/**
 * Brings in a job file, or a job with its pictures (`application/zip`), or starts an empty job; answers with its id, or with
 * every fault.
 */
export async function POST(request: Request) {
  return answered(async () => {
    const stored = await taken(request)
    if (stored === null) return Response.json({ faults: [] }, { status: 413 })
    return stored.ok
      ? Response.json({ id: stored.value }, { status: 201 })
      : Response.json({ faults: stored.faults }, { status: 422 })
  })
}

/** Null where there is too much of it. */
async function taken(request: Request) {
  if (request.headers.get('content-type') === 'application/zip') {
    const bytes = await bytesOf(request, MOST_WHOLE_BYTES)
    return bytes && bringInWhole(bytes)
  }
  const body = await bodyOf(request)
  return body === null ? null : bringIn(body)
}
