import { answered } from '@/server/http'
import { waitsIn } from '@/server/waits'

/** What waits in a job by stage, and what is open of its defects. */
export async function GET(_: Request, { params }: { params: Promise<{ jobId: string }> }) {
  return answered(async () => {
    const { jobId } = await params
    const waits = await waitsIn(jobId)
    return waits ? Response.json(waits) : Response.json({ kind: 'no-such-job' }, { status: 404 })
  })
}
