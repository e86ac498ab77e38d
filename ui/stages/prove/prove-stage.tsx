'use client'

import { useMemo } from 'react'
import type { BoxView, PlaceView } from '@/core/job/box-view'
import { rowsWith } from '@/core/model/record'
import { deviceNamed } from '@/core/model/trade'
import { testList, type TestItem } from '@/core/plan'
import { routeBox } from '@/core/route'
import { BoxDrawing } from '../../drawing/box-drawing'
import { foundPicture, plannedPicture } from '../../drawing/picture'
import { newId } from '../../job/new-id'
import { useEdits, useTrade } from '../../job/provider'
import { PickOne, TextField } from '../../primitives/fields'
import { NOW } from '../../job/new-reading'
import { SwitchOn } from '../safety/isolation-panel'
import { isolationOf } from '@/core/safety'
import { Part, StageFrame } from '../stage-frame'

export function ProveStage({ view }: { view: BoxView }) {
  const trade = useTrade()
  const picture = useMemo(() => {
    const routed = routeBox(view, trade)
    return routed.ok ? plannedPicture(view, routed.value) : foundPicture(view, trade)
  }, [view, trade])
  const isDead = isolationOf(view).dead
  return (
    <StageFrame view={view} stage="prove" drawing={<BoxDrawing picture={picture} />}>
      {isDead && (
        <Part title="Still off">
          <p>The tests want power. Switch on only with everything landed, capped and folded in.</p>
          <SwitchOn view={view} />
        </Part>
      )}
      {view.places.map(place => (
        <Tests key={place.place.id} view={view} place={place} />
      ))}
    </StageFrame>
  )
}

function Tests({ view, place }: { view: BoxView; place: PlaceView }) {
  const trade = useTrade()
  const model = deviceNamed(trade, place.choice?.modelId ?? '')
  const items = useMemo(() => testList(view, place, trade), [view, place, trade])
  if (!model)
    return (
      <Part title={place.group.name}>
        <p>No device is chosen here yet.</p>
      </Part>
    )
  const passed = items.filter(item => item.outcome === 'pass').length
  const failed = items.filter(item => item.outcome === 'fail').length
  return (
    <Part
      title={`${place.group.name}: ${passed} of ${items.length} passed${failed > 0 ? `, ${failed} failed` : ''}`}
    >
      <ol className="flex flex-col gap-2">
        {items.map(item => (
          <li
            key={item.key}
            className={`rounded-lg border border-rule p-3 ${item.outcome === 'fail' ? 'hazard' : ''}`}
          >
            <TestRow view={view} place={place} item={item} />
          </li>
        ))}
      </ol>
    </Part>
  )
}

function TestRow({ view, place, item }: { view: BoxView; place: PlaceView; item: TestItem }) {
  const edits = useEdits(view.box.id)
  const row = rowsWith(view.record, 'tests', 'placeId', place.place.id).find(
    each => each.testKey === item.key,
  )
  const record = (outcome: 'pass' | 'fail') =>
    edits.send('record a test', [
      ...(row ? [edits.remove('tests', row.id)] : []),
      edits.add('tests', {
        id: newId(),
        placeId: place.place.id,
        testKey: item.key,
        outcome,
        measured: row?.measured ?? '',
        note: row?.note ?? '',
        seq: 0,
        at: NOW,
      }),
    ])
  return (
    <div className="flex flex-col gap-2">
      <PickOne
        label={item.says}
        hint={`Should be: ${item.expect}`}
        value={item.outcome}
        options={[
          { value: 'pass', words: 'Passed' },
          { value: 'fail', words: 'Failed' },
        ]}
        onCommit={record}
      />
      {row && item.outcome === 'fail' && (
        <>
          <p>
            <strong>Switch off and read dead before the box is opened again.</strong>
          </p>
          <TextField
            label="What happened"
            value={item.note}
            max={1000}
            onCommit={note => edits.send('record a test', [edits.change('tests', row.id, { note })])}
          />
        </>
      )}
    </div>
  )
}
