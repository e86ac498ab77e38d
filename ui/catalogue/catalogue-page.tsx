'use client'

import { FIELD_LOOK } from '../primitives/field-look'
import Link from 'next/link'
import { useMemo, useRef, useState, type ReactNode } from 'react'
import type { CatalogueEntry, CatalogueUndo } from '@/core/model/catalogue'
import type { DeviceModel } from '@/core/model/device'
import { figure } from '@/core/model/units'
import { REGION_IDS, WANTS, type RegionId, type Want } from '@/core/model/vocabulary'
import { regionOf } from '@/core/model/regions'
import { Away } from '../primitives/away'
import { DATA_OF } from '../browser/early'
import { useServed } from '../browser/use-served'
import { newId } from '../job/new-id'
import { Button } from '../primitives/button'
import { PickOne, SelectField } from '../primitives/fields'
import { useRunning } from '../browser/use-running'
import { WANT_WORDS } from '../words'
import { CompanyHeader } from './company-header'
import { doesWords, placesWords, ratingOf, supplyWords } from './device-words'
import { Trouble } from './trouble'
import { useCatalogue } from './use-catalogue'
import { useSay } from '../words/use-say'
import { type Say } from '@/core/words/say'
import { LINK_LOOK } from '../primitives/link-look'
import { part } from '../primitives/part'

const Compare = part(() => import('./compare').then(module => module.Compare))
const DeviceSheet = part(() => import('./device-sheet').then(module => module.DeviceSheet))

const MOST_COMPARED = 4

type Stock = DeviceModel['stock']
const STOCK_WORDS: Readonly<Record<Stock, string>> = {
  new: 'To be chosen',
  found: 'Found in walls',
  retired: 'Retired',
}

interface Wished {
  readonly stock: Stock
  readonly region: RegionId | 'all'
  readonly want: Want | 'all'
  readonly text: string
}

/** Every device of the company: to be found, set side by side, edited, copied, retired, taken out and brought in. */
export function CataloguePage() {
  const { value, away, again } = useServed<{
    readonly entries: readonly CatalogueEntry[]
    readonly undo: CatalogueUndo
  }>(DATA_OF['/catalogue'])
  if (value) return <Devices {...value} />
  return away ? <Away again={again} /> : <main id="main" aria-busy="true" className="min-h-screen" />
}

function Devices({
  entries: initial,
  undo: before,
}: {
  entries: readonly CatalogueEntry[]
  undo: CatalogueUndo
}) {
  const say = useSay()

  const catalogue = useCatalogue(initial, before)
  const { entries, undo, busy, trouble } = catalogue
  const running = useRunning()
  const picker = useRef<HTMLInputElement>(null)
  const [finding, setFinding] = useState<Wished>({ stock: 'new', region: 'all', want: 'all', text: '' })
  const [compared, setCompared] = useState<readonly string[]>([])
  const [open, setOpen] = useState<string | null>(null)
  const [comparing, setComparing] = useState(false)

  const shown = useMemo(() => found(say, entries, finding), [say, entries, finding])
  const chosen = entries.find(({ device }) => device.id === open)
  const side = compared.flatMap(id => entries.find(({ device }) => device.id === id)?.device ?? [])

  const copy = async ({ device }: CatalogueEntry) => {
    // Of its own at once, whoever else copies the same now.
    const id = `${device.id.slice(0, 46)}-${newId().slice(0, 8)}`
    const name = say`${device.name.slice(0, 70)}, copy`
    const done = await catalogue.put('copy a device', [{ based: null, device: { ...device, id, name } }])
    if (done) setOpen(id)
  }

  return (
    <>
      <CompanyHeader>
        <Button
          look="quiet"
          className="!px-2"
          disabled={!undo.undo || busy}
          onClick={() => void catalogue.takeBack('undo')}
        >{say`Undo${undo.undo ? `: ${undo.undo.name}` : ''}`}</Button>
        <Button
          look="quiet"
          className="!px-2"
          disabled={!undo.redo || busy}
          onClick={() => void catalogue.takeBack('redo')}
        >{say`Redo`}</Button>
      </CompanyHeader>
      <main id="main" className="mx-auto max-w-7xl px-3 pb-24 sm:px-4">
        <div className="flex flex-wrap items-end justify-between gap-3 pt-5">
          <h1 className="text-2xl">{say`Catalogue`}</h1>
          <div className="flex flex-wrap gap-2" data-chrome>
            <Link href="/catalogue/lamps" className={LINK_LOOK}>{say`Lamps`}</Link>
            {(['csv', 'json'] as const).map(as => (
              <a
                key={as}
                href={`/api/catalogue/file?as=${as}`}
                download
                className={LINK_LOOK}
              >{say`Take out as ${as === 'csv' ? say`a table` : say`a file`}`}</a>
            ))}
            <Button
              onClick={() => picker.current?.click()}
              disabled={!running || busy}
            >{say`Bring in`}</Button>
            <input
              ref={picker}
              type="file"
              accept=".csv,.json,text/csv,application/json"
              className="sr-only"
              aria-label={say`A catalogue to bring in`}
              onChange={event => {
                const file = event.target.files?.[0]
                event.target.value = ''
                if (file) void catalogue.bringIn(file)
              }}
            />
          </div>
        </div>
        {trouble && !chosen && <Trouble trouble={trouble} onClose={catalogue.dismiss} />}
        <Finding {...{ finding, entries }} onFind={setFinding}>
          <Button
            look="main"
            disabled={compared.length < 2}
            onClick={() => setComparing(true)}
          >{say`Side by side${compared.length > 0 ? `: ${compared.length}` : ''}`}</Button>
        </Finding>
        <DeviceTable
          entries={shown}
          compared={compared}
          onOpen={setOpen}
          onCompare={id =>
            setCompared(now =>
              now.includes(id) ? now.filter(each => each !== id) : [...now, id].slice(-MOST_COMPARED),
            )
          }
        />
      </main>
      {comparing && side.length > 1 && <Compare devices={side} onClose={() => setComparing(false)} />}
      {chosen && (
        <DeviceSheet
          key={chosen.device.id}
          entry={chosen}
          trouble={trouble && <Trouble trouble={trouble} onClose={catalogue.dismiss} />}
          onPut={(name, device) => catalogue.put(name, [{ based: chosen.version, device }])}
          onCopy={() => void copy(chosen)}
          onClose={() => setOpen(null)}
        />
      )}
    </>
  )
}

/** The devices that are as wished, every word of the text in their name, family, supply or id. */
function found(
  say: Say,
  entries: readonly CatalogueEntry[],
  { stock, region, want, text }: Wished,
): readonly CatalogueEntry[] {
  const words = text.toLowerCase().split(/\s+/).filter(Boolean)
  return entries.filter(
    ({ device }) =>
      device.stock === stock &&
      (region === 'all' || device.regions.includes(region)) &&
      (want === 'all' || device.does.includes(want)) &&
      words.every(word =>
        `${device.name} ${device.family ?? ''} ${supplyWords(say, device)} ${device.id}`
          .toLowerCase()
          .includes(word),
      ),
  )
}

/** What is looked for; what can be done with what was found stands beside it. */
function Finding({
  finding,
  entries,
  onFind,
  children,
}: {
  finding: Wished
  entries: readonly CatalogueEntry[]
  onFind: (wished: Wished) => void
  children: ReactNode
}) {
  const say = useSay()

  const { stock, region, want, text } = finding
  return (
    <div className="mt-4 flex flex-wrap items-end gap-3" data-chrome>
      <label className="flex w-full flex-col gap-1 text-sm font-semibold sm:w-auto sm:min-w-52 sm:flex-1">
        {say`Find`}
        <input
          type="search"
          value={text}
          onChange={event => onFind({ ...finding, text: event.target.value })}
          className={`${FIELD_LOOK} font-normal`}
        />
      </label>
      <div className="min-w-0 flex-1 sm:w-44 sm:flex-none">
        <SelectField
          label={say`Does`}
          value={want}
          options={[
            { value: 'all', words: say`Anything` },
            ...WANTS.map(value => ({ value, words: say(WANT_WORDS[value]) })),
          ]}
          onCommit={want => onFind({ ...finding, want })}
        />
      </div>
      <div className="min-w-0 flex-1 sm:w-52 sm:flex-none">
        <SelectField
          label={say`Region`}
          value={region}
          options={[
            { value: 'all', words: say`Everywhere` },
            ...REGION_IDS.map(value => ({ value, words: regionOf(value).name })),
          ]}
          onCommit={region => onFind({ ...finding, region })}
        />
      </div>
      <PickOne
        label={say`Show`}
        labelHidden
        value={stock}
        options={(['new', 'found', 'retired'] as const).map(value => ({
          value,
          words: `${say(STOCK_WORDS[value])} ${entries.filter(({ device }) => device.stock === value).length}`,
        }))}
        onCommit={stock => onFind({ ...finding, stock })}
      />
      {children}
    </div>
  )
}

function DeviceTable({
  entries,
  compared,
  onOpen,
  onCompare,
}: {
  entries: readonly CatalogueEntry[]
  compared: readonly string[]
  onOpen: (id: string) => void
  onCompare: (id: string) => void
}) {
  const say = useSay()

  if (entries.length === 0)
    return (
      <p className="mt-6 rounded-xl border-2 border-dashed border-rule p-6">{say`No device is like that. Find something else, or copy one that comes near.`}</p>
    )
  return (
    <div
      className="mt-4 overflow-x-auto rounded-xl bg-sheet"
      tabIndex={0}
      role="region"
      aria-label={say`Devices`}
    >
      <table className="w-full min-w-4xl text-left text-sm">
        <thead>
          <tr>
            <th scope="col" className="px-3 py-2">
              <span className="sr-only">{say`Side by side`}</span>
            </th>
            {[
              say`Device`,
              say`Does`,
              say`Kept alive by`,
              say`Places`,
              'LED',
              say`Tungsten`,
              say`Motor`,
              say`Depth`,
              say`Price`,
              say`Minutes`,
            ].map(each => (
              <th key={each} scope="col" className="px-3 py-2 font-semibold">
                {each}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {entries.map(({ device, from }) => (
            <tr key={device.id} className="border-t border-rule hover:bg-tint" data-device={device.id}>
              <td className="px-3">
                <label className="flex h-11 w-11 items-center justify-center">
                  <input
                    type="checkbox"
                    checked={compared.includes(device.id)}
                    onChange={() => onCompare(device.id)}
                    aria-label={say`Set ${device.name} side by side`}
                    className="h-5 w-5 accent-(--plum)"
                  />
                </label>
              </td>
              <th scope="row" className="px-3 font-semibold">
                <button
                  type="button"
                  onClick={() => onOpen(device.id)}
                  className="min-h-11 py-1 text-left underline decoration-rule underline-offset-4 hover:decoration-ink"
                >
                  {device.name}
                </button>
                {from !== 'shipped' && (
                  <span className="ml-2 font-normal text-soft">
                    {from === 'own' ? say`your own` : 'changed'}
                  </span>
                )}
              </th>
              <td className="px-3">{doesWords(say, device)}</td>
              <td className="px-3">{supplyWords(say, device)}</td>
              <td className="px-3 tabular-nums">{placesWords(say, device)}</td>
              {(['led', 'tungsten', 'motor'] as const).map(kind => (
                <td key={kind} className="px-3 whitespace-nowrap tabular-nums">
                  {ratingOf(device, kind)}
                </td>
              ))}
              <td className="px-3 whitespace-nowrap tabular-nums">{say`${figure(device.size.depthMillimetres)} mm`}</td>
              <td className="px-3 tabular-nums">{figure(device.price, 2)}</td>
              <td className="px-3 tabular-nums">{figure(device.minutes)}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  )
}
