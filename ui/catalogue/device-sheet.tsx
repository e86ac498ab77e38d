'use client'

import { useState, type ReactNode } from 'react'
import type { CatalogueEntry } from '@/core/model/catalogue'
import type { DeviceModel } from '@/core/model/device'
import { Button } from '../primitives/button'
import { Sheet } from '../primitives/sheet'
import { DeviceForm } from './device-form'
import { DevicePicture } from './device-picture'
import { factsOf } from './device-facts'
import { DeviceSettings } from './device-settings'
import { useSay } from '../words/use-say'
import { RowContext } from '../primitives/row-context'

const FROM_WORDS: Readonly<Record<CatalogueEntry['from'], string>> = {
  shipped: 'As it came',
  changed: 'Changed by you',
  own: 'Your own',
}

/** One device: its picture, all its figures and instructions; to be edited, copied or retired. */
export function DeviceSheet({
  entry: { device, from },
  trouble,
  onPut,
  onCopy,
  onClose,
}: {
  entry: CatalogueEntry
  /** Why the last change was not made. */
  trouble: ReactNode
  onPut: (
    name: 'edit a device' | 'retire a device' | 'bring a device back',
    device: DeviceModel,
  ) => Promise<boolean>
  onCopy: () => void
  onClose: () => void
}) {
  const say = useSay()

  const [editing, setEditing] = useState(false)
  const retired = device.stock === 'retired'
  return (
    <Sheet title={device.name} open onClose={onClose} wide>
      {trouble}
      <DevicePicture device={device} />
      {editing ? (
        <RowContext key={device.id} value={device.id}>
          <DeviceForm
            device={device}
            onCancel={() => setEditing(false)}
            onSave={async next => {
              if (await onPut('edit a device', next)) setEditing(false)
            }}
          />
        </RowContext>
      ) : (
        <>
          <div className="flex flex-wrap items-center gap-2">
            <Button look="main" onClick={() => setEditing(true)}>{say`Edit`}</Button>
            <Button onClick={onCopy}>{say`Copy`}</Button>
            {device.stock !== 'found' && (
              <Button
                onClick={() =>
                  void onPut(retired ? 'bring a device back' : 'retire a device', {
                    ...device,
                    stock: retired ? 'new' : 'retired',
                  })
                }
              >
                {retired ? say`Bring it back` : say`Retire it`}
              </Button>
            )}
            <span className="text-sm text-soft">
              {say(FROM_WORDS[from])}
              {retired && say` · retired: not offered any more`}
            </span>
          </div>
          <dl className="grid grid-cols-1 gap-x-6 sm:grid-cols-2">
            {factsOf(say, device)
              .filter(([, says]) => says !== '')
              .map(([name, says]) => (
                <div key={name} className="grid grid-cols-[9rem_1fr] border-t border-rule py-1.5">
                  <dt className="text-sm font-semibold">{name}</dt>
                  <dd>{says}</dd>
                </div>
              ))}
          </dl>
          <Terminals device={device} />
          <Says
            title={say`Its small light`}
            lines={device.instructions.indicator.map(({ shows, means }) => `${shows}: ${means}`)}
          />
          <Says title={say`Notes`} lines={device.instructions.notes} />
          <DeviceSettings device={device} />
        </>
      )}
    </Sheet>
  )
}

function Terminals({ device }: { device: DeviceModel }) {
  const say = useSay()

  return (
    <Says
      title={say`Terminals`}
      lines={device.terminals.map(
        ({ word, wants, joins, gauges, strandings, atMost }) =>
          `${word} (${joins}): ${wants}; ${gauges.join(', ')} ${strandings.join(say` or `)}${atMost > 1 ? say`, up to ${atMost}` : ''}`,
      )}
    />
  )
}

function Says({ title, lines }: { title: string; lines: readonly string[] }) {
  if (lines.length === 0) return null
  return (
    <section>
      <h3 className="text-sm font-semibold">{title}</h3>
      <ul className="list-disc pl-5">
        {lines.map(line => (
          <li key={line}>{line}</li>
        ))}
      </ul>
    </section>
  )
}
