import { loadVan } from '@/server/van'
import { PickPage } from '@/ui/pick/pick-page'

export default async function Page() {
  return <PickPage van={await loadVan()} />
}
