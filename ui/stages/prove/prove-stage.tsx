'use client'

import { useMemo } from 'react'
import type { BoxView, PlaceView } from '@/core/job/box-view'
import { BLANK } from '@/core/model/blank-rows'
import { rowsWith } from '@/core/model/record'
import { deviceNamed } from '@/core/model/trade'
import { isWiredFor, nextTests, testList, type TestItem } from '@/core/plan'
import { routeBox } from '@/core/route'
import { BoxDrawing } from '../../drawing/box-drawing'
import { foundPicture, plannedPicture } from '../../drawing/picture'
import { useEdits, useTrade } from '../../job/provider'
import { Button } from '../../primitives/button'
import { PickOne, TextField } from '../../primitives/fields'
import { SwitchOn } from '../safety/isolation-panel'
import { isolationOf } from '@/core/safety'
import { AtOnce } from '../at-once'
import { Part } from '../../primitives/titled-part'
import { StageFrame } from '../stage-frame'
import { ToStage } from '../to-stage'
import { useSay } from '../../words/use-say'
import { RowContext } from '../../primitives/row-context'

export function ProveStage({ view }: { view: BoxView }) {
  const say = useSay()

  const trade = useTrade()
  const picture = useMemo(() => {
    const routed = routeBox(view, trade)
    return routed.ok ? plannedPicture(view, routed.value) : foundPicture(view, trade)
  }, [view, trade])
  const isDead = isolationOf(view).dead
  const wired = useMemo(() => isWiredFor(view, trade), [view, trade])
  return (
    <StageFrame view={view} stage="prove" drawing={<BoxDrawing picture={picture} />}>
      {wired === 'no' && (
        <Part title={say`Not before it is wired`} next="wire">
          <p>{say`What is tried here is the work as it was planned: it waits for the last step of Wire.`}</p>
          <ToStage view={view} stage="wire" />
        </Part>
      )}
      {view.places.length === 0 && (
        <Part title={say`Nothing to try here`}>
          <p>{say`No control is in this box: its light is tried from its switches.`}</p>
        </Part>
      )}
      {view.places.map(place => (
        <Tests key={place.place.id} view={view} place={place} power="off" held={wired === 'no'} />
      ))}
      {isDead && wired === 'yes' && (
        <Part title={say`Still off`} next="still-off">
          <p>{say`The tests want power. Switch on only with everything landed, capped and folded in.`}</p>
          <SwitchOn view={view} />
        </Part>
      )}
      {view.places.map(place => (
        <Tests key={place.place.id} view={view} place={place} power="on" held={wired !== 'yes'} />
      ))}
    </StageFrame>
  )
}

function Tests({
  view,
  place,
  power,
  held,
}: {
  view: BoxView
  place: PlaceView
  power: TestItem['power']
  /** It is too early for them. */
  held: boolean
}) {
  const say = useSay()

  const trade = useTrade()
  const edits = useEdits(view.box.id)
  const model = deviceNamed(trade, place.choice?.modelId ?? '')
  const items = useMemo(
    () => testList(view, place, trade).filter(item => item.power === power),
    [view, place, trade, power],
  )
  if (items.length === 0 && (power === 'off' ? !model : true))
    return power === 'off' && !(place.place.retired && place.workingInGroup === 0) ? (
      <Part title={place.group.name} next={!place.place.retired && `choose-${place.place.id}`}>
        <p>
          {place.place.retired
            ? say`No control is here any more: its light is tried from where it is worked.`
            : say`No device is chosen here yet.`}
        </p>
        {!place.place.retired && <ToStage view={view} stage="choose" />}
      </Part>
    ) : null
  const passed = items.filter(item => item.outcome === 'pass').length
  const failed = items.filter(item => item.outcome === 'fail').length
  const next = held ? [] : nextTests(items)
  const atOnce = next.length > 1 ? next : []
  const row = (item: TestItem) => (
    <li
      key={item.key}
      data-next={next.length === 1 && item === next[0] ? `${place.place.id} ${item.key}` : undefined}
      className={`rounded-lg border border-rule p-3 ${item.outcome === 'fail' ? 'hazard' : ''}`}
    >
      <RowContext value={`${place.place.id}/${item.key}`}>
        <TestRow view={view} place={place} item={item} held={held} />
      </RowContext>
    </li>
  )
  const when = power === 'off' ? say`before the power` : say`with the power on`
  return (
    <Part
      title={say`${place.group.name}, ${when}: ${passed} of ${items.length} passed${failed > 0 ? say`, ${failed} failed` : ''}`}
    >
      {atOnce.length > 0 ? (
        <>
          <ol className="flex flex-col gap-2">{items.slice(0, items.indexOf(atOnce[0]!)).map(row)}</ol>
          <AtOnce
            name={`${place.place.id}-${atOnce[0]!.key}-at-once`}
            items={atOnce}
            label={say`Passed: ${atOnce.map(({ says }) => says).join('; ')}`}
            words={say`All ${atOnce.length} as they should be`}
            onDone={() =>
              edits.send(
                'record a test',
                atOnce.map(({ key }) =>
                  edits.add('tests', {
                    ...BLANK.tests,
                    id: edits.newId(),
                    placeId: place.place.id,
                    testKey: key,
                    outcome: 'pass',
                  }),
                ),
              )
            }
          >
            {atOnce.map(row)}
          </AtOnce>
          <ol className="flex flex-col gap-2">{items.slice(items.indexOf(atOnce.at(-1)!) + 1).map(row)}</ol>
        </>
      ) : (
        <ol className="flex flex-col gap-2">{items.map(row)}</ol>
      )}
    </Part>
  )
}

function TestRow({
  view,
  place,
  item,
  held,
}: {
  view: BoxView
  place: PlaceView
  item: TestItem
  held: boolean
}) {
  const say = useSay()

  const edits = useEdits(view.box.id)
  const row = rowsWith(view.record, 'tests', 'placeId', place.place.id).find(
    each => each.testKey === item.key,
  )
  const record = (outcome: 'pass' | 'fail') =>
    edits.send('record a test', [
      ...(row ? [edits.remove('tests', row.id)] : []),
      edits.add('tests', {
        ...BLANK.tests,
        ...(row ? { measured: row.measured, note: row.note } : {}),
        id: edits.newId(),
        placeId: place.place.id,
        testKey: item.key,
        outcome,
      }),
    ])
  const change = (fields: Parameters<typeof edits.change<'tests'>>[2]) =>
    row && edits.send('record a test', [edits.change('tests', row.id, fields)])
  if (held && !row)
    return (
      <p>
        {item.says}
        <span className="block text-sm text-soft">{say`Should be: ${item.expect}`}</span>
      </p>
    )
  return (
    <div className="flex flex-col gap-2">
      <PickOne
        label={item.says}
        hint={say`Should be: ${item.expect}`}
        value={item.outcome}
        options={[
          { value: 'pass', words: say`Passed` },
          { value: 'fail', words: say`Failed` },
        ]}
        onCommit={record}
      />
      {row && (
        <div className="flex flex-wrap items-end gap-2">
          <div className="min-w-36 flex-1">
            <TextField
              label={say`It read`}
              value={row.measured}
              max={60}
              onCommit={measured => change({ measured })}
            />
          </div>
          <Button
            aria-label={say`Take it back: ${item.says}`}
            onClick={() => edits.send('take back a test', [edits.remove('tests', row.id)])}
          >{say`Take it back`}</Button>
        </div>
      )}
      {row && item.outcome === 'fail' && (
        <p>
          <strong>{say`Switch off and read dead before the box is opened again.`}</strong>
        </p>
      )}
      {row && (
        <TextField
          label={item.outcome === 'fail' ? say`What happened` : say`Note`}
          value={item.note}
          max={1000}
          onCommit={note => change({ note })}
        />
      )}
    </div>
  )
}
