import type { ReactNode } from 'react'
import type { Asked } from '@/core/check'
import { boxWords } from '../test/question-words'
import { boxView, type BoxView } from '@/core/job/box-view'
import { measuresOf } from '@/core/model/measures'
import { BoxOfTable, Depth, Divided, MarkedVolume, NearWater } from '../../facts/box-facts'
import { Amperes, Dimmable, DimmedBy, Horsepower, Inrush, VoltAmperes, Watts } from '../../facts/load-facts'
import { useEdits, useTrade } from '../../job/provider'
import { Button } from '../../primitives/button'
import { RowContext } from '../../primitives/row-context'
import { useSay } from '../../words/use-say'

type OfBox = Extract<Asked, { boxId: string }>
type OfLoad = Extract<Asked, { loadId: string }>

/** Facts that whoever stands there can say at once, each where it is asked for. */
export function AskedFacts({ view, asked }: { view: BoxView; asked: readonly Asked[] }) {
  return (
    <div className="flex flex-col gap-3">
      {asked.map(each =>
        'loadId' in each ? (
          <LoadFact key={`${each.fact} ${each.loadId}`} view={view} {...each} />
        ) : (
          <BoxFact key={`${each.fact} ${each.boxId}`} view={view} {...each} />
        ),
      )}
    </div>
  )
}

function LoadFact({ view, fact, loadId }: OfLoad & { view: BoxView }) {
  const edits = useEdits(view.box.id)
  const load = view.record.loads[loadId]
  if (!load) return null
  const of = {
    load,
    onChange: (fields: Partial<Omit<typeof load, 'id' | 'extra'>>) =>
      edits.send('edit a load', [edits.change('loads', loadId, fields)]),
  }
  const fields: Readonly<Record<OfLoad['fact'], ReactNode>> = {
    dimmable: <Dimmable asked {...of} />,
    'dimmed-by': <DimmedBy {...of} />,
    watts: <Watts {...of} />,
    draws: (
      <>
        <Watts {...of} />
        <Amperes {...of} />
        <VoltAmperes {...of} />
      </>
    ),
    motor: (
      <>
        <Horsepower {...of} />
        <Amperes {...of} />
      </>
    ),
    inrush: <Inrush {...of} />,
  }
  return (
    <fieldset className="min-w-0">
      <legend className="font-semibold">
        {load.count} × {load.name}
      </legend>
      <RowContext value={loadId}>
        <div className="grid grid-cols-[repeat(auto-fit,minmax(9rem,1fr))] gap-3">{fields[fact]}</div>
      </RowContext>
    </fieldset>
  )
}

function BoxFact({ view, fact, boxId }: OfBox & { view: BoxView }) {
  const say = useSay()

  const trade = useTrade()
  const edits = useEdits(boxId)
  const there = boxId === view.box.id ? view : boxView(view.record, boxId)
  if (!there) return null
  const { box, region } = there
  const onChange = (fields: Partial<Omit<typeof box, 'id' | 'extra'>>) =>
    edits.send('edit a box', [edits.change('boxes', boxId, fields)])
  const of = { box, onChange }
  const fields: Readonly<Record<OfBox['fact'], ReactNode>> = {
    divided: <Divided asked {...of} />,
    location: <NearWater region={region} {...of} />,
    volume: (
      <>
        <MarkedVolume {...of} />
        <BoxOfTable trade={trade} {...of} />
      </>
    ),
    depth: <Depth measures={measuresOf(view.record)} {...of} />,
    recorded: <Button onClick={() => onChange({ recorded: true })}>{say`Yes, all of it is recorded`}</Button>,
  }
  return (
    <fieldset className="min-w-0">
      {boxId !== view.box.id && <legend className="font-semibold">{boxWords(there)}</legend>}
      <RowContext value={boxId}>
        <div className="grid grid-cols-[repeat(auto-fit,minmax(9rem,1fr))] gap-3">{fields[fact]}</div>
      </RowContext>
    </fieldset>
  )
}
