import { applyCommand } from '@/server/commands'
import { parsedJson, written } from '@/server/http'

export const POST = (request: Request, { params }: { params: Promise<{ jobId: string }> }) =>
  written(request, async body => applyCommand((await params).jobId, parsedJson(body)))
