import { answered, bodyOf, isOwn, parsedJson } from '@/server/http'
import { countVan } from '@/server/van'

const STATUS = { applied: 200, refused: 422, stale: 409 } as const

export async function POST(request: Request) {
  return answered(async () => {
    if (!isOwn(request)) return Response.json({ kind: 'refused', faults: [] }, { status: 403 })
    const body = await bodyOf(request)
    if (body === null) return Response.json({ kind: 'refused', faults: [] }, { status: 413 })
    const outcome = await countVan(parsedJson(body))
    return Response.json(outcome, { status: STATUS[outcome.kind] })
  })
}
