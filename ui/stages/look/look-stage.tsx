'use client'

import { useMemo, useState } from 'react'
import type { BoxView } from '@/core/job/box-view'
import { BoxDrawing } from '../../drawing/box-drawing'
import { foundPicture } from '../../drawing/picture'
import { openOnLook } from '@/core/plan'
import { useEdits, useTrade } from '../../job/provider'
import { CheckField, TextField } from '../../primitives/fields'
import { WhenSeen } from '../../primitives/when-seen'
import { Part } from '../../primitives/titled-part'
import { StageFrame } from '../stage-frame'
import { BoxForm } from './box-form'
import { CablesForm } from './cables-form'
import { CircuitForm } from './circuit-form'
import { ControlsForm } from './controls-form'
import { DefectList } from './defect-list'
import { LOOK_PARTS, LookNext } from './look-next'
import { useLooking } from '../use-looking'
import { useSay } from '../../words/use-say'
import { part } from '../../primitives/part'

const PhotosPart = part(() => import('./photos-part').then(module => module.PhotosPart))
const ClosedBox = part(() => import('./closed-box').then(module => module.ClosedBox))
const OtherPlaces = part(() => import('./other-place').then(module => module.OtherPlaces))
const HangsHere = part(() => import('./hangs-here').then(module => module.HangsHere))
const StrandPanel = part(() => import('./strand-panel').then(module => module.StrandPanel))

export function LookStage({ view }: { view: BoxView }) {
  const say = useSay()

  const trade = useTrade()
  const edits = useEdits(view.box.id)
  const [selected, setSelected] = useState<string | null>(null)
  const picture = useMemo(() => foundPicture(view, trade), [view, trade])
  const looking = useLooking(view)
  const [first] = useMemo(() => openOnLook(view, trade), [view, trade])
  // These stand first by themselves while they are asked for.
  const isFirstBelow = view.cables.length === 0 || first?.kind === 'other-place'
  const strand = view.ends.find(each => each.end.id === selected) ?? null
  return (
    <StageFrame
      view={view}
      stage="look"
      drawing={
        <>
          <BoxDrawing
            picture={picture}
            selected={selected}
            onSelect={id => setSelected(id === selected ? null : id)}
          />
          {view.ends.length > 0 && !strand && (
            <p className="text-center text-sm text-soft max-wide:hidden">{say`Take a conductor to say what it is and where it sits.`}</p>
          )}
        </>
      }
    >
      {first && !isFirstBelow && !strand && <LookNext view={view} open={first} onSelect={setSelected} />}
      {strand && (
        <StrandPanel key={strand.end.id} view={view} strand={strand} onClose={() => setSelected(null)} />
      )}
      {looking.here.length > 0 && (
        <OtherPlaces view={view} looking={looking.here} others={looking.elsewhere} />
      )}
      {view.cables.length === 0 && view.box.kind === 'control' && <ClosedBox view={view} />}
      {view.cables.length === 0 && <CablesForm view={view} onSelect={setSelected} />}
      <DefectList view={view} />
      <div id={LOOK_PARTS.cables}>
        {view.cables.length > 0 && <CablesForm view={view} onSelect={setSelected} />}
      </div>
      <div id={LOOK_PARTS.circuit}>
        <CircuitForm view={view} />
      </div>
      <div id={LOOK_PARTS.controls}>
        {view.box.kind === 'control' ? <ControlsForm view={view} /> : <HangsHere view={view} />}
      </div>
      <BoxForm view={view} />
      <Part title={say`Recorded`}>
        <TextField
          label={say`Notes`}
          value={view.box.note}
          max={4000}
          multiline
          onCommit={note => edits.send('edit a box', [edits.change('boxes', view.box.id, { note })])}
        />
        <CheckField
          label={say`Everything that can be seen is recorded`}
          value={view.box.recorded}
          onCommit={recorded => edits.send('edit a box', [edits.change('boxes', view.box.id, { recorded })])}
        />
      </Part>
      <WhenSeen id="photos">
        <PhotosPart view={view} />
      </WhenSeen>
    </StageFrame>
  )
}
