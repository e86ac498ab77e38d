import { DayPage } from '@/ui/day/day-page'

export default function Page() {
  return <DayPage />
}
