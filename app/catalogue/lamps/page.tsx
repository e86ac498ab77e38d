import type { Metadata } from 'next'
import { LampsPage } from '@/ui/catalogue/lamps-page'

export const metadata: Metadata = { title: 'Lamps' }

export default function Page() {
  return <LampsPage />
}
