'use client'

import { goTo, Link } from './link'
import { usePathname } from 'next/navigation'
import { useCallback, useEffect, useMemo, useState, type ReactNode } from 'react'
import { rowsOf } from '@/core/model/record'
import { useJob, useStore } from './provider'
import { Icon } from '../primitives/icon'
import { PAGES_OF_JOB } from './pages-of-job'
import { actionOf, type Action } from './shortcuts'
import type { SaveState } from './job-store'
import { scopeOf } from './store'
import { toggleTheme } from './theme'
import { useSay } from '../words/use-say'
import { part } from '../primitives/part'

const Notices = part(() => import('./notices').then(module => module.Notices))
const Palette = part(() => import('./palette').then(module => module.Palette))
const Menu = part(() => import('./menu').then(module => module.Menu))
const Help = part(() => import('./help').then(module => module.Help))

/** So many pages stand above on a phone; the others are in its menu. */
const ON_A_PHONE = 2

const SAVE_WORDS: Readonly<Record<SaveState, string>> = {
  opening: 'Opening…',
  saved: 'Saved',
  saving: 'Saving…',
  waiting: 'Kept here, waiting for the server',
}

/** What stands round every page of a job: where one is, whether it is saved, undo, find, dark room. */
export function JobShell({ children }: { children: ReactNode }) {
  const say = useSay()

  const job = useJob()
  const store = useStore()
  const { base, boxId, stage } = usePlace(job.record.job.id)
  const [open, setOpen] = useState<'palette' | 'help' | 'menu' | null>(null)
  const here = usePathname()
  const undo = job.undo[scopeOf(boxId)]
  useTitle(job.record.job.name)

  useEffect(() => store.needUndo(boxId), [store, boxId])

  const boxes = useMemo(() => rowsOf(job.record, 'boxes').map(box => box.id), [job.record])

  const act = useCallback(
    (action: Action) => {
      const beside = (step: number) => {
        const at = boxes.indexOf(boxId ?? '')
        const next = boxes[(at + step + boxes.length) % boxes.length]
        if (next) goTo(`${base}/boxes/${next}/${stage ?? 'look'}`)
      }
      switch (action.kind) {
        case 'stage':
          if (boxId) goTo(`${base}/boxes/${boxId}/${action.stage}`)
          return
        case 'try':
          if (boxId) goTo(`${base}/boxes/${boxId}/try`)
          return
        case 'house':
          return goTo(base)
        case 'panel':
          return goTo(`${base}/panel`)
        case 'whole':
          return goTo(`${base}/whole`)
        case 'pick':
          return goTo(`${base}/pick`)
        case 'day':
          return goTo(`${base}/day`)
        case 'defects':
          return goTo(`${base}/defects`)
        case 'undo':
        case 'redo':
          return store.takeBack(action.kind, boxId)
        case 'dark':
          return toggleTheme()
        case 'palette':
        case 'help':
          return setOpen(action.kind)
        case 'previous-box':
          return beside(-1)
        case 'next-box':
          return beside(1)
      }
    },
    [base, boxId, boxes, stage, store],
  )

  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const action = actionOf(event)
      if (!action || document.querySelector('[role="dialog"]')) return
      event.preventDefault()
      act(action)
    }
    window.addEventListener('keydown', onKey)
    return () => window.removeEventListener('keydown', onKey)
  }, [act])

  return (
    <>
      <a
        href="#main"
        className="sr-only focus:not-sr-only focus:absolute focus:z-50 focus:bg-sheet focus:p-3"
      >{say`To the page`}</a>
      <header data-chrome className="border-b border-rule bg-sheet">
        <div className="mx-auto flex max-w-7xl items-center gap-1 px-2 sm:gap-3 sm:px-4">
          <nav aria-label={say`Job`} className="flex min-w-0 flex-1 items-center gap-1 sm:gap-3">
            <Link
              href="/"
              className="hidden min-h-11 items-center font-bold text-plum sm:flex"
            >{say`Every Room`}</Link>
            {PAGES_OF_JOB.map(({ path, words }, at) => (
              <span key={path} className={at < ON_A_PHONE ? '' : 'hidden sm:block'}>
                <NavLink href={`${base}${path}`} here={here === `${base}${path}`}>
                  {say(words)}
                </NavLink>
              </span>
            ))}
            <span className="ml-1 hidden min-w-0 truncate text-soft xl:block">{job.record.job.name}</span>
          </nav>
          <SaveMark save={job.save} />
          <IconButton
            name={undo?.undo ? say`Undo: ${say(undo.undo.name)}` : say`Nothing to undo`}
            disabled={!undo?.undo}
            onClick={() => act({ kind: 'undo' })}
          >
            <Icon name="undo" />
          </IconButton>
          <IconButton
            name={undo?.redo ? say`Redo: ${say(undo.redo.name)}` : say`Nothing to redo`}
            disabled={!undo?.redo}
            onClick={() => act({ kind: 'redo' })}
          >
            <Icon name="redo" />
          </IconButton>
          <span className="hidden sm:block">
            <IconButton name={say`Dark room or paper`} onClick={() => act({ kind: 'dark' })}>
              <Icon name="moon" />
            </IconButton>
          </span>
          <span className="sm:hidden">
            <IconButton name={say`Every page`} onClick={() => setOpen('menu')}>
              <Icon name="menu" />
            </IconButton>
          </span>
          <IconButton name={say`Find a box or an action`} onClick={() => act({ kind: 'palette' })}>
            <Icon name="search" />
          </IconButton>
        </div>
      </header>
      {(job.refusal || job.against || job.conflict) && <Notices />}
      <main id="main" tabIndex={-1} className="mx-auto max-w-7xl px-3 pb-24 sm:px-4">
        {children}
      </main>
      {open === 'palette' && <Palette base={base} boxId={boxId} act={act} onClose={() => setOpen(null)} />}
      {open === 'menu' && <Menu base={base} here={here} onClose={() => setOpen(null)} />}
      {open === 'help' && <Help onClose={() => setOpen(null)} />}
    </>
  )
}

/** The page is made for every job alike: what it is called is said once the job is here. */
function useTitle(name: string): void {
  const say = useSay()
  useEffect(() => {
    document.title = say`${name} · Every Room`
  }, [name, say])
}

function usePlace(jobId: string) {
  const path = usePathname()
  const base = `/jobs/${jobId}`
  const [, boxId, stage] = /\/boxes\/([^/]+)\/([^/]+)/.exec(path) ?? []
  return { base, boxId: boxId ?? null, stage: stage ?? null }
}

function NavLink({ href, here, children }: { href: string; here: boolean; children: ReactNode }) {
  return (
    <Link
      href={href}
      aria-current={here ? 'page' : undefined}
      className="flex min-h-11 items-center border-b-[3px] border-transparent px-2 leading-tight font-semibold aria-[current]:border-plum"
    >
      {children}
    </Link>
  )
}

/** A dot for what is saved; words, and a ring, for what is not yet. */
function SaveMark({ save }: { save: SaveState }) {
  const say = useSay()

  return (
    <span role="status" data-save={save} className="flex items-center gap-1.5 text-sm text-soft">
      <svg width="12" height="12" viewBox="0 0 12 12" aria-hidden="true">
        <circle
          cx="6"
          cy="6"
          r="4.5"
          fill={save === 'saved' ? 'currentColor' : 'none'}
          stroke="currentColor"
          strokeWidth="2"
        />
      </svg>
      <span className={save === 'waiting' ? 'font-semibold text-ink' : 'sr-only lg:not-sr-only lg:min-w-18'}>
        {say(SAVE_WORDS[save])}
      </span>
    </span>
  )
}

function IconButton({
  name,
  children,
  ...rest
}: {
  name: string
  children: ReactNode
  disabled?: boolean
  onClick: () => void
}) {
  return (
    <button
      type="button"
      aria-label={name}
      title={name}
      className="flex h-11 w-11 shrink-0 items-center justify-center rounded-lg hover:bg-tint disabled:opacity-40"
      {...rest}
    >
      {children}
    </button>
  )
}
