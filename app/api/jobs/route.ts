import { answered, bodyOf } from '@/server/http'
import { bringIn } from '@/server/bring-in'

/** Brings in a job file, or starts an empty job; answers with its id, or with every fault. */
export async function POST(request: Request) {
  return answered(async () => {
    const body = await bodyOf(request)
    if (body === null) return Response.json({ faults: [] }, { status: 413 })
    const stored = await bringIn(body)
    return stored.ok
      ? Response.json({ id: stored.value }, { status: 201 })
      : Response.json({ faults: stored.faults }, { status: 422 })
  })
}
