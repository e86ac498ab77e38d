import { answered, parsedJson, written } from '@/server/http'
import { changeLamp, loadLamps } from '@/server/lamps'

export const GET = () => answered(async () => Response.json(await loadLamps()))

export const POST = (request: Request) => written(request, body => changeLamp(parsedJson(body)))
