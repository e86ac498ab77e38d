'use client'

import { Link } from './link'
import { useJob } from './provider'
import { useSay } from '../words/use-say'

/** Where an address names a box that the job does not have. */
export function NoSuchBox() {
  const say = useSay()

  const { record } = useJob()
  return (
    <div className="pt-8">
      <h1 className="text-xl">{say`This box is not there`}</h1>
      <p>
        {say`It was removed, or never recorded. `}
        <Link href={`/jobs/${record.job.id}`} className="underline">{say`Back to the house`}</Link>
      </p>
    </div>
  )
}
