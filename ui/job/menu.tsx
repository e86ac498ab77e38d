'use client'

import { LINK_LOOK } from '../primitives/link-look'
import { Sheet } from '../primitives/sheet'
import { useSay } from '../words/use-say'
import { Link } from './link'
import { PAGES_OF_JOB } from './pages-of-job'
import { toggleTheme } from './theme'
import { Button } from '../primitives/button'

/** On a phone: every page of the job, and what has no room above. */
export function Menu({ base, here, onClose }: { base: string; here: string; onClose: () => void }) {
  const say = useSay()

  return (
    <Sheet title={say`Pages`} open onClose={onClose}>
      <nav aria-label={say`Pages of the job`} className="grid grid-cols-2 gap-2">
        {PAGES_OF_JOB.map(({ path, words }) => (
          <Link
            key={path}
            href={`${base}${path}`}
            aria-current={here === `${base}${path}` ? 'page' : undefined}
            onClick={onClose}
            className={`${LINK_LOOK} min-h-13 aria-[current]:border-[3px] aria-[current]:border-plum`}
          >
            {say(words)}
          </Link>
        ))}
        <Link href="/" onClick={onClose} className={`${LINK_LOOK} min-h-13`}>{say`All jobs`}</Link>
        <Link href="/catalogue" onClick={onClose} className={`${LINK_LOOK} min-h-13`}>{say`Catalog`}</Link>
      </nav>
      <Button
        onClick={() => {
          toggleTheme()
          onClose()
        }}
      >{say`Dark room or paper`}</Button>
    </Sheet>
  )
}
