import { HousePage } from '@/ui/house/house-page'

export default function Page() {
  return <HousePage />
}
