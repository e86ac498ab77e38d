import { dutiesOf } from '@/core/duties'
import type { BoxView } from '@/core/job/box-view'
import { useSay } from '../../words/use-say'

/** What comes with the work by rule; the authority has the last word. */
export function Duties({ view, heading: Heading = 'h2' }: { view: BoxView; heading?: 'h2' | 'h3' }) {
  const say = useSay()

  const duties = dutiesOf(view)
  if (duties.length === 0) return null
  return (
    <section
      aria-label={say`Duties that come with it: ${view.room.name}, ${view.box.name}`}
      className="rounded-xl bg-sheet p-4 print:p-0"
    >
      <Heading className="font-bold">{say`What comes with it: check with your authority`}</Heading>
      <ul className="mt-1 flex flex-col gap-2">
        {duties.map(({ id, says, because }) => (
          <li key={id + says} data-duty={id}>
            <p className="font-semibold">{says}</p>
            <p className="text-sm text-soft">{because}</p>
          </li>
        ))}
      </ul>
    </section>
  )
}
