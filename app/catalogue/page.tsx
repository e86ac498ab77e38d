import type { Metadata } from 'next'
import { CataloguePage } from '@/ui/catalogue/catalogue-page'

export const metadata: Metadata = { title: 'Catalogue' }

export default function Page() {
  return <CataloguePage />
}
