import type { Metadata } from 'next'
import { loadLamps } from '@/server/lamps'
import { LampsPage } from '@/ui/catalogue/lamps-page'

export const dynamic = 'force-dynamic'
export const metadata: Metadata = { title: 'Lamps' }

export default async function Page() {
  return <LampsPage entries={await loadLamps()} />
}
