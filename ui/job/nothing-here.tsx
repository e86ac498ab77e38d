'use client'

import { Link } from './link'
import { useSay } from '../words/use-say'

/** Where an address leads nowhere. */
export function NothingHere() {
  const say = useSay()
  return (
    <div className="mx-auto max-w-xl px-4 pt-16">
      <h1 className="text-2xl">{say`There is nothing here`}</h1>
      <p>
        {say`The job or page was removed, or its address is mistyped. `}
        <Link href="/" className="underline">{say`To the jobs`}</Link>
      </p>
    </div>
  )
}
