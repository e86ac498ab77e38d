import { parsedJson, written } from '@/server/http'
import { changeLamp } from '@/server/lamps'

export const POST = (request: Request) => written(request, body => changeLamp(parsedJson(body)))
