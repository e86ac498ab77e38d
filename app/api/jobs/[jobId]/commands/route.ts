import { applyCommand } from '@/server/commands'
import { answered, bodyOf, isOwn, parsedJson } from '@/server/http'

const STATUS = { applied: 200, refused: 422, stale: 409, 'no-such-job': 404 } as const

export async function POST(request: Request, { params }: { params: Promise<{ jobId: string }> }) {
  return answered(async () => {
    if (!isOwn(request)) return Response.json({ kind: 'refused', faults: [] }, { status: 403 })
    const body = await bodyOf(request)
    if (body === null) return Response.json({ kind: 'refused', faults: [] }, { status: 413 })
    const outcome = await applyCommand((await params).jobId, parsedJson(body))
    return Response.json(outcome, { status: STATUS[outcome.kind] })
  })
}
