import { parsedJson, written } from '@/server/http'
import { countVan } from '@/server/van'

export const POST = (request: Request) => written(request, body => countVan(parsedJson(body)))
