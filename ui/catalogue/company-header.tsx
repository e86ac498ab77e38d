import Link from 'next/link'
import type { ReactNode } from 'react'
import { toggleTheme } from '../job/theme'
import { Button } from '../primitives/button'
import { useSay } from '../words/use-say'

/** Above the pages that belong to the company and no job: the way home, what can be taken back, the dark room. */
export function CompanyHeader({ children }: { children: ReactNode }) {
  const say = useSay()

  return (
    <header data-chrome className="border-b border-rule bg-sheet">
      <div className="mx-auto flex max-w-7xl flex-wrap items-center gap-2 px-4">
        <Link
          href="/"
          className="flex min-h-11 flex-1 items-center font-bold whitespace-nowrap text-plum"
        >{say`Every Room`}</Link>
        {children}
        <Button look="quiet" onClick={toggleTheme} className="!px-2">{say`Dark room`}</Button>
      </div>
    </header>
  )
}
