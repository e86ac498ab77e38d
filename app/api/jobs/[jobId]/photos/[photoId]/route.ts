import { jobExists } from '@/server/jobs'
import { answered, bytesOf } from '@/server/http'
import { MOST_PHOTO_BYTES, storePhoto } from '@/server/photos'
import { loadPicture } from '@/server/pictures'

interface Context {
  readonly params: Promise<{ jobId: string; photoId: string }>
}

const ID = /^[a-z0-9][a-z0-9-]{0,39}$/

export async function POST(request: Request, { params }: Context) {
  return answered(async () => {
    const { jobId, photoId } = await params
    if (!ID.test(photoId)) return Response.json({ faults: [{ path: '/id', code: 'id' }] }, { status: 422 })
    if (!(await jobExists(jobId))) return new Response(null, { status: 404 })
    const bytes = await bytesOf(request, MOST_PHOTO_BYTES)
    if (bytes === null)
      return Response.json(
        { faults: [{ path: '/photo', code: 'too-large', message: 'at most 15 MB' }] },
        { status: 413 },
      )
    const stored = await storePhoto(jobId, photoId, bytes)
    return stored.ok
      ? Response.json(stored.value, { status: 201 })
      : Response.json({ faults: stored.faults }, { status: 422 })
  })
}

export async function GET(request: Request, { params }: Context) {
  return answered(async () => {
    const { jobId, photoId } = await params
    const size = new URL(request.url).searchParams.get('size') === 'small' ? 'small' : 'picture'
    const bytes = await loadPicture(jobId, photoId, size)
    if (bytes === null) return new Response(null, { status: 404 })
    return new Response(new Uint8Array(bytes), {
      headers: {
        'content-type': 'image/jpeg',
        'cache-control': 'private, max-age=31536000, immutable',
      },
    })
  })
}
