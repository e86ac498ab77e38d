import { PanelPage } from '@/ui/panel/panel-page'

export default function Page() {
  return <PanelPage />
}
