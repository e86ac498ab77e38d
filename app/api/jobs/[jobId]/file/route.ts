import { writeJobFile } from '@/core/format/job-file'
import { answered, fileNamed } from '@/server/http'
import { loadJobFile } from '@/server/jobs'

export async function GET(_request: Request, { params }: { params: Promise<{ jobId: string }> }) {
  return answered(async () => {
    const { jobId } = await params
    const file = await loadJobFile(jobId)
    if (!file) return Response.json({ kind: 'no-such-job' }, { status: 404 })
    return new Response(writeJobFile(file), {
      headers: {
        'content-type': 'application/json; charset=utf-8',
        'content-disposition': fileNamed(file.record.job.name, '.everyroom.json'),
      },
    })
  })
}
