import { WholePage } from '@/ui/whole/whole-page'

export default function Page() {
  return <WholePage />
}
