import { ENTITY_NAMES } from '@/core/model/entities'
import { missingTables } from '@/server/health'

export const dynamic = 'force-dynamic'

/** Whether the database is there, with all that a job needs. */
export async function GET() {
  try {
    const missing = await missingTables(ENTITY_NAMES)
    return missing.length === 0
      ? Response.json({ ok: true })
      : Response.json({ ok: false, missing }, { status: 503 })
  } catch {
    return Response.json({ ok: false }, { status: 503, headers: { 'retry-after': '5' } })
  }
}
