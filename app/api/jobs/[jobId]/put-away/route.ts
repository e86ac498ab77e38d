import { answered, bodyOf } from '@/server/http'
import { putAway } from '@/server/put-away'

/** Puts a job away (`{"away": true}`), or takes it out again. */
export async function POST(request: Request, { params }: { params: Promise<{ jobId: string }> }) {
  return answered(async () => {
    const { jobId } = await params
    const body = await bodyOf(request)
    const outcome = await putAway(jobId, body ?? '')
    if (outcome === 'no-such-job') return Response.json({ kind: outcome }, { status: 404 })
    return outcome === 'done'
      ? Response.json({ kind: outcome })
      : Response.json({ kind: 'refused', ...outcome }, { status: 422 })
  })
}
