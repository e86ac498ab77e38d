import Link from 'next/link'
import { SOURCE, sayIn } from '@/core/words/say'

/** Of no job: in the language of the source. */
const say = sayIn({ language: SOURCE })

export default function NotFound() {
  return (
    <main className="mx-auto max-w-xl px-4 pt-16">
      <h1 className="text-2xl">{say`There is nothing here`}</h1>
      <p>
        {say`The job or page was removed, or its address is mistyped. `}
        <Link href="/" className="underline">{say`To the jobs`}</Link>
      </p>
    </main>
  )
}
