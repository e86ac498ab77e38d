'use client'

import { useMemo, useState } from 'react'
import { regionOf } from '@/core/model/regions'
import { figure } from '@/core/model/units'
import { costOf, neededIn, picked, savedDevices, type PickItem, type PickKind, type Van } from '@/core/pick'
import { useJob, useTrade } from '../job/provider'
import { Away } from '../primitives/away'
import { useServed } from '../browser/use-served'
import { Button } from '../primitives/button'
import { PickOne } from '../primitives/fields'
import { useVan } from './use-van'
import { useSay } from '../words/use-say'
import { LINK_LOOK } from '../primitives/link-look'

const KIND_WORDS: Readonly<Record<PickKind, string>> = {
  device: 'Devices',
  plate: 'Plates',
  box: 'Rings and boxes',
  lamp: 'Lamps',
  part: 'Small parts',
}

/** What to take along for all that is chosen so far, what the van has, and what is left to buy. */
export function PickPage() {
  const { value, away, again } = useServed<Van>('/api/van')
  if (value) return <PickList van={value} />
  return away ? <Away again={again} /> : <div aria-busy="true" />
}

function PickList({ van: before }: { van: Van }) {
  const say = useSay()

  const trade = useTrade()
  const { record } = useJob()
  const { van, trouble, count, last, takeBack } = useVan(before)
  const needs = useMemo(() => neededIn(record, trade), [record, trade])
  const items = useMemo(() => picked(needs, van), [needs, van])
  const saved = useMemo(() => savedDevices(record, trade), [record, trade])
  const [show, setShow] = useState<'all' | 'buy'>('all')
  const shown = items.filter(({ toBuy }) => show === 'all' || toBuy > 0)
  const { currency } = regionOf(record.job.regionId)
  const kinds = [...new Set(shown.map(({ kind }) => kind))]
  return (
    <>
      <div className="flex flex-wrap items-end justify-between gap-3 pt-5">
        <div>
          <h1 className="text-2xl">{say`Pick list`}</h1>
          <p className="text-soft">
            {say.count(
              items.reduce((sum, { toBuy }) => sum + toBuy, 0),
              '{0} · left to buy: # piece, {1} {2}',
              '{0} · left to buy: # pieces, {1} {2}',
              record.job.name,
              figure(costOf(items), 2),
              currency,
            )}
            {items.some(({ priceEach, toBuy }) => priceEach === null && toBuy > 0) &&
              say` and what has no price yet`}
          </p>
        </div>
        <div className="flex flex-wrap gap-2" data-chrome>
          {last && <Button look="quiet" onClick={() => void takeBack()}>{say`Undo the count`}</Button>}
          <a
            href={`/api/jobs/${record.job.id}/pick`}
            download
            className={LINK_LOOK}
          >{say`Take out as a table`}</a>
          <Button onClick={() => window.print()} disabled={items.length === 0}>{say`Print`}</Button>
        </div>
      </div>
      {trouble && (
        <p role="alert" className="hazard mt-3 bg-sheet px-3 py-2 font-semibold">
          {trouble}
        </p>
      )}
      {items.length === 0 ? (
        <p className="mt-6 rounded-xl border-2 border-dashed border-rule p-6">
          {Object.keys(record.choices).length > 0
            ? say`Everything that was chosen is wired: nothing is left to take along.`
            : say`Nothing is chosen yet. Choose a device at a box, and what it asks for stands here.`}
        </p>
      ) : (
        <div className="mt-4" data-chrome>
          <PickOne
            label={say`Show`}
            labelHidden
            value={show}
            options={[
              { value: 'all', words: say`All ${items.length}` },
              { value: 'buy', words: say`To buy ${items.filter(({ toBuy }) => toBuy > 0).length}` },
            ]}
            onCommit={setShow}
          />
        </div>
      )}
      {kinds.map(kind => (
        <section key={kind} className="mt-4 rounded-xl bg-sheet p-3 sm:p-4">
          <h2 className="text-base">{say(KIND_WORDS[kind])}</h2>
          <ul>
            {shown
              .filter(each => each.kind === kind)
              .map(item => (
                <ItemRow key={item.key} item={item} currency={currency} onCount={count} />
              ))}
          </ul>
        </section>
      ))}
      {saved.length > 0 && (
        <section className="mt-4 rounded-xl bg-sheet p-3 sm:p-4">
          <h2 className="text-base">{say`Taken out and kept, for stock`}</h2>
          <ul>
            {saved.map(({ modelId, what, count: many, places }) => (
              <li key={modelId} className="grid grid-cols-[2.5rem_1fr] gap-x-4 border-t border-rule py-2">
                <strong className="text-right text-xl tabular-nums">{many}</strong>
                <span>
                  {what}
                  <span className="block text-sm text-soft">{places.join('; ')}</span>
                </span>
              </li>
            ))}
          </ul>
        </section>
      )}
      {items.length > 0 && shown.length === 0 && <p className="mt-6">{say`The van has all of it.`}</p>}
    </>
  )
}

function ItemRow({
  item: { key, what, needed, inVan, toBuy, priceEach, places },
  currency,
  onCount,
}: {
  item: PickItem
  currency: string
  onCount: (key: string, count: number) => Promise<void>
}) {
  const say = useSay()

  return (
    <li
      data-item={key}
      className="grid grid-cols-[2.5rem_1fr_auto] items-center gap-x-4 gap-y-1 border-t border-rule py-2 sm:grid-cols-[2.5rem_1fr_auto_9rem]"
    >
      <strong className="text-right text-xl tabular-nums">{needed}</strong>
      <span className="col-span-2 min-w-0 sm:col-span-1">
        {what}
        <span className="block text-sm text-soft">{places.join('; ')}</span>
      </span>
      <span
        className="col-span-2 flex items-center gap-2 sm:col-span-1"
        role="group"
        aria-label={say`In the van: ${what}`}
      >
        <Button
          aria-label={say`One less`}
          disabled={inVan === 0}
          onClick={() => void onCount(key, inVan - 1)}
          className="min-w-11 !px-0 print:hidden"
        >
          −
        </Button>
        <span className="min-w-20 text-center tabular-nums">{say`${inVan} in the van`}</span>
        <Button
          aria-label={say`One more`}
          onClick={() => void onCount(key, inVan + 1)}
          className="min-w-11 !px-0 print:hidden"
        >
          +
        </Button>
      </span>
      <span className="text-right">
        {toBuy === 0 ? (
          <span className="text-soft">{say`nothing to buy`}</span>
        ) : (
          <>
            <strong>{say`buy ${toBuy}`}</strong>
            <span className="block text-sm text-soft">
              {priceEach === null ? say`no price yet` : `${figure(priceEach * toBuy, 2)} ${currency}`}
            </span>
          </>
        )}
      </span>
    </li>
  )
}
