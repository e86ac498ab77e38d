import { isSince } from '@/core/job/since'
import { answered } from '@/server/http'
import { removeJob } from '@/server/jobs'
import { openJob, packedJson } from '@/server/opened'

interface Context {
  readonly params: Promise<{ jobId: string }>
}

/** The job as it stands, or what became of it after what the page has already (`having`). */
export async function GET(request: Request, { params }: Context) {
  return answered(async () => {
    const { jobId } = await params
    const found = await openJob(jobId, new URL(request.url).searchParams.get('having'))
    if (!found) return Response.json({ kind: 'no-such-job' }, { status: 404 })
    const { job, opened } = found
    if (isSince(opened)) return Response.json(opened)
    return packedJson(request, { of: job.record, as: `${job.line} ${opened.trade}` }, opened)
  })
}

export async function DELETE(_request: Request, { params }: Context) {
  return answered(async () => {
    const removed = await removeJob((await params).jobId)
    return new Response(null, { status: removed ? 204 : 404 })
  })
}
