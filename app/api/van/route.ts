import { answered, parsedJson, written } from '@/server/http'
import { countVan, loadVan } from '@/server/van'

export const GET = () => answered(async () => Response.json(await loadVan()))

export const POST = (request: Request) => written(request, body => countVan(parsedJson(body)))
