import type { Metadata } from 'next'
import { loadCatalogue, loadCatalogueUndo } from '@/server/catalogue'
import { CataloguePage } from '@/ui/catalogue/catalogue-page'

export const dynamic = 'force-dynamic'
export const metadata: Metadata = { title: 'Catalogue' }

export default async function Page() {
  return <CataloguePage entries={await loadCatalogue()} undo={await loadCatalogueUndo()} />
}
