import { writeCatalogue } from '@/core/format/catalogue-file'
import { bringInCatalogue, catalogueCsv } from '@/server/catalogue-files'
import { loadCatalogue } from '@/server/catalogue'
import { answered, written } from '@/server/http'

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
export const POST = (request: Request) =>
  written(request, text => bringInCatalogue(new URL(request.url).searchParams.get('id') ?? '', text))
