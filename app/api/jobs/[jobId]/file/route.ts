import { writeJobFile } from '@/core/format/job-file'
import { answered, fileNamed } from '@/server/http'
import { loadJobFile } from '@/server/jobs'
import { wholeJob } from '@/server/whole-job'

/** The job file; with its pictures where that is asked for (`with=pictures`). */
export async function GET(request: Request, { params }: { params: Promise<{ jobId: string }> }) {
  return answered(async () => {
    const { jobId } = await params
    if (new URL(request.url).searchParams.get('with') === 'pictures') return withPictures(jobId)
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

async function withPictures(jobId: string): Promise<Response> {
  const whole = await wholeJob(jobId)
  if (!whole) return Response.json({ kind: 'no-such-job' }, { status: 404 })
  return new Response(new Uint8Array(whole.bytes), {
    headers: {
      'content-type': 'application/zip',
      'content-disposition': fileNamed(whole.name, '.everyroom.zip'),
    },
  })
}
