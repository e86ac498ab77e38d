import { NothingHere } from '@/ui/job/nothing-here'

export default function NotFound() {
  return (
    <main id="main">
      <NothingHere />
    </main>
  )
}
