import { hear } from '@/server/hearing'
import { parsedJson, written } from '@/server/http'

export const POST = (request: Request, { params }: { params: Promise<{ jobId: string }> }) =>
  written(request, async body => hear((await params).jobId, parsedJson(body)))
