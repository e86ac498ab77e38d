import { answered } from '@/server/http'
import { loadJob, removeJob } from '@/server/jobs'

interface Context {
  readonly params: Promise<{ jobId: string }>
}

export async function GET(_request: Request, { params }: Context) {
  return answered(async () => {
    const job = await loadJob((await params).jobId)
    return job ? Response.json(job) : Response.json({ kind: 'no-such-job' }, { status: 404 })
  })
}

export async function DELETE(_request: Request, { params }: Context) {
  return answered(async () => {
    const removed = await removeJob((await params).jobId)
    return new Response(null, { status: removed ? 204 : 404 })
  })
}
