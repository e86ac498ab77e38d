import { changeCatalogue, loadCatalogue, loadCatalogueUndo } from '@/server/catalogue'
import { answered, parsedJson, written } from '@/server/http'

export const GET = () =>
  answered(async () => Response.json({ entries: await loadCatalogue(), undo: await loadCatalogueUndo() }))

export const POST = (request: Request) => written(request, body => changeCatalogue(parsedJson(body)))
