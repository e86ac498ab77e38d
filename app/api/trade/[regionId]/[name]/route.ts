import { answered } from '@/server/http'
import { packedJson, tradeNamed } from '@/server/opened'

interface Context {
  readonly params: Promise<{ regionId: string; name: string }>
}

const FOR_EVER = { 'cache-control': 'private, max-age=31536000, immutable', vary: 'accept' }
const NEVER = { 'cache-control': 'private, no-store' }

/** The catalogue and the trade’s figures for a region: under one name it says one thing for ever. */
export async function GET(request: Request, { params }: Context) {
  return answered(async () => {
    const { regionId, name } = await params
    const trade = await tradeNamed(regionId, name)
    if (!trade) return Response.json({ kind: 'no-such-trade' }, { status: 404, headers: NEVER })
    return packedJson(request, { of: trade, as: name, headers: FOR_EVER }, trade)
  })
}
