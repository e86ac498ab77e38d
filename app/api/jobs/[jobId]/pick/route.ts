import { pickListCsv } from '@/server/pick-list'
import { answered, fileNamed } from '@/server/http'

export async function GET(_request: Request, { params }: { params: Promise<{ jobId: string }> }) {
  return answered(async () => {
    const { jobId } = await params
    const csv = await pickListCsv(jobId)
    if (csv === null) return Response.json({ kind: 'no-such-job' }, { status: 404 })
    return new Response(csv.text, {
      headers: {
        'content-type': 'text/csv; charset=utf-8',
        'content-disposition': fileNamed(csv.house, '-pick-list.csv'),
      },
    })
  })
}
