import { writeCatalogue } from '@/core/format/catalogue-file'
import { bringInCatalogue, catalogueCsv } from '@/server/catalogue-files'
import { loadCatalogue } from '@/server/catalogue'
import { answered, bodyOf, isOwn } from '@/server/http'

const STATUS = { applied: 200, refused: 422, stale: 409 } as const

export async function GET(request: Request) {
  return answered(async () => {
    const devices = (await loadCatalogue()).map(({ device }) => device)
    const csv = new URL(request.url).searchParams.get('as') === 'csv'
    return new Response(csv ? catalogueCsv(devices) : writeCatalogue(devices), {
      headers: {
        'content-type': `${csv ? 'text/csv' : 'application/json'}; charset=utf-8`,
        'content-disposition': `attachment; filename="catalogue.${csv ? 'csv' : 'everyroom-catalogue.json'}"`,
      },
    })
  })
}

/** Brings devices in, all of them or none; `id` makes it happen once, however often it is sent. */
export async function POST(request: Request) {
  return answered(async () => {
    if (!isOwn(request)) return Response.json({ kind: 'refused', faults: [] }, { status: 403 })
    const text = await bodyOf(request)
    if (text === null) return Response.json({ kind: 'refused', faults: [] }, { status: 413 })
    const { searchParams } = new URL(request.url)
    const outcome = await bringInCatalogue(searchParams.get('id') ?? '', text)
    return Response.json(outcome, { status: STATUS[outcome.kind] })
  })
}
