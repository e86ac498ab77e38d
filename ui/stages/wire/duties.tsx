import type { Duty } from '@/core/duties'

/** What comes with the work by rule; the authority has the last word. */
export function Duties({
  duties,
  heading: Heading = 'h2',
}: {
  duties: readonly Duty[]
  heading?: 'h2' | 'h3'
}) {
  if (duties.length === 0) return null
  return (
    <section aria-label="Duties that come with it" className="rounded-xl bg-sheet p-4 print:p-0">
      <Heading className="font-bold">What comes with it: check with your authority</Heading>
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
