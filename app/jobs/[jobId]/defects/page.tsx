import { DefectsPage } from '@/ui/defects/defects-page'

export default function Page() {
  return <DefectsPage />
}
