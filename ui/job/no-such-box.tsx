'use client'

import Link from 'next/link'
import { useJob } from './provider'

/** Where an address names a box that the job does not have. */
export function NoSuchBox() {
  const { record } = useJob()
  return (
    <div className="pt-8">
      <h1 className="text-xl">This box is not there</h1>
      <p>
        It was removed, or never recorded.{' '}
        <Link href={`/jobs/${record.job.id}`} className="underline">
          Back to the house
        </Link>
      </p>
    </div>
  )
}
