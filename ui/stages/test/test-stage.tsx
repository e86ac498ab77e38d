'use client'

import dynamic from 'next/dynamic'
import { useMemo, useState } from 'react'
import { claimStatus } from '@/core/identify'
import type { BoxView } from '@/core/job/box-view'
import { BoxDrawing } from '../../drawing/box-drawing'
import { foundPicture } from '../../drawing/picture'
import { PROOF_WORDS, ROLE_WORDS } from '../../words'
import { IsolationPanel } from '../safety/isolation-panel'
import { Part, StageFrame } from '../stage-frame'
import { useTrade } from '../../job/provider'

const RolePanel = dynamic(() => import('./role-panel').then(module => module.RolePanel), { ssr: false })

export function TestStage({ view }: { view: BoxView }) {
  const trade = useTrade()
  const [selected, setSelected] = useState<string | null>(null)
  const picture = useMemo(() => foundPicture(view, trade), [view, trade])
  const strand = view.ends.find(each => each.end.id === selected) ?? null
  return (
    <StageFrame
      view={view}
      stage="test"
      drawing={
        <>
          <BoxDrawing
            picture={picture}
            selected={selected}
            onSelect={id => setSelected(id === selected ? null : id)}
          />
          <FlagKey />
        </>
      }
    >
      {strand && (
        <RolePanel key={strand.end.id} view={view} strand={strand} onClose={() => setSelected(null)} />
      )}
      <Conductors view={view} selected={selected} onSelect={setSelected} />
      <IsolationPanel view={view} />
    </StageFrame>
  )
}

/** The three outlines of a flag, drawn. */
function FlagKey() {
  return (
    <ul aria-label="Flags" className="mt-1 flex flex-wrap justify-center gap-x-4 gap-y-1 text-sm">
      {(['assumed', 'indicated', 'proven', 'contradicted'] as const).map(proof => (
        <li key={proof} className="flex items-center gap-1.5">
          <svg width="30" height="20" viewBox="0 0 30 20" aria-hidden="true" className={`flag flag-${proof}`}>
            <path d="M2 2 h26 l-5 8 l5 8 h-26 z" className="flag-shape" />
            {proof === 'contradicted' && <path d="M2 18 L26 2" stroke="var(--ink)" strokeWidth="2.5" />}
          </svg>
          {PROOF_WORDS[proof]}
        </li>
      ))}
    </ul>
  )
}

function Conductors({
  view,
  selected,
  onSelect,
}: {
  view: BoxView
  selected: string | null
  onSelect: (id: string) => void
}) {
  if (view.ends.length === 0)
    return (
      <Part title="No conductors yet">
        <p>Record on Look what comes into this box; then each conductor is read here.</p>
      </Part>
    )
  return (
    <Part title="Conductors">
      <ul className="flex flex-col">
        {view.ends.map(each => {
          const status = claimStatus(view, each)
          return (
            <li key={each.end.id} className="border-t border-rule first:border-t-0">
              <button
                type="button"
                aria-pressed={selected === each.end.id}
                onClick={() => onSelect(each.end.id)}
                className="grid min-h-13 w-full grid-cols-[7rem_1fr] items-center gap-x-3 px-1 py-1.5 text-left hover:bg-tint aria-pressed:bg-tint"
              >
                <strong>{each.name}</strong>
                <span>
                  {status.role ? `${ROLE_WORDS[status.role]}, ${PROOF_WORDS[status.proof]}` : 'no role yet'}
                  {status.settledBy && <span className="block text-sm text-soft">{status.settledBy}</span>}
                </span>
              </button>
            </li>
          )
        })}
      </ul>
    </Part>
  )
}
