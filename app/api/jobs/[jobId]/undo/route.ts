import { answered } from '@/server/http'
import { loadUndoState } from '@/server/jobs'

export async function GET(request: Request, { params }: { params: Promise<{ jobId: string }> }) {
  return answered(async () => {
    const boxId = new URL(request.url).searchParams.get('box')
    return Response.json(await loadUndoState((await params).jobId, boxId))
  })
}
