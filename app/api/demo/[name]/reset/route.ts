import path from 'node:path'
import { resetDemo } from '@/server/demo'
import { answered } from '@/server/http'

export async function POST(_request: Request, { params }: { params: Promise<{ name: string }> }) {
  return answered(async () => {
    const folder = process.env.DEMO_FOLDER ?? path.join(process.cwd(), 'demo')
    const done = await resetDemo(folder, (await params).name)
    return new Response(null, { status: done ? 204 : 404 })
  })
}
