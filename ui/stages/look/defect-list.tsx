'use client'

import { useMemo } from 'react'
import { defectsIn, type ListedDefect } from '@/core/check'
import type { BoxView } from '@/core/job/box-view'
import { STATE_WORDS } from '../../defects/state-words'
import { useTrade } from '../../job/provider'
import { Folded } from '../../primitives/folded'
import { plain } from '../../words'
import { Part } from '../../primitives/titled-part'
import { useSay } from '../../words/use-say'
import { type Say } from '@/core/words/say'
import { RowContext } from '../../primitives/row-context'
import { part } from '../../primitives/part'

const AddDefect = part(() => import('./add-defect').then(module => module.AddDefect))
const DefectBody = part(() => import('./defect-body').then(module => module.DefectBody))

/** What is wrong, raised by rule from the record or seen by a person; each stays until it is settled. */
export function DefectList({ view }: { view: BoxView }) {
  const say = useSay()

  const trade = useTrade()
  const all = useMemo(() => defectsIn(view, trade), [view, trade])
  const open = all.filter(({ state }) => state === 'open')
  return (
    <Part
      title={
        all.length === 0
          ? say`Defects: none found by rule`
          : say`Defects: ${open.length} open of ${all.length}`
      }
    >
      <ul className="flex flex-col gap-2">
        {all.map(defect => (
          <DefectRow key={defect.key} view={view} defect={defect} />
        ))}
      </ul>
      <Folded
        summary={<summary className="min-h-11 py-2 font-semibold">{say`Add one that you see`}</summary>}
      >
        <AddDefect view={view} />
      </Folded>
    </Part>
  )
}

/** How a defect stands, in words. */
const stands = (say: Say, { state, row }: ListedDefect): string =>
  state === 'deferred' ? say`Handed over to ${row?.handedTo || say`the customer`}` : say(STATE_WORDS[state])

function DefectRow({ view, defect }: { view: BoxView; defect: ListedDefect }) {
  const say = useSay()

  const { severity, state, what } = defect
  return (
    <li
      className={`rounded-lg border border-rule bg-paper p-3 ${severity === 'danger' && state === 'open' ? 'hazard' : ''}`}
    >
      <p>
        <strong>{say(plain(severity))}.</strong> {what}
      </p>
      <Folded
        summary={
          <summary className="flex min-h-11 items-center gap-3">
            <span className="underline decoration-rule underline-offset-4">{say`${stands(say, defect)}: why, and what then?`}</span>
          </summary>
        }
      >
        <RowContext value={defect.key}>
          <DefectBody view={view} defect={defect} />
        </RowContext>
      </Folded>
    </li>
  )
}
