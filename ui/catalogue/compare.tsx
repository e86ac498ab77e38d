'use client'

import type { DeviceModel } from '@/core/model/device'
import { Sheet } from '../primitives/sheet'
import { DeviceFace } from './device-picture'
import { factsOf } from './device-facts'
import { useSay } from '../words/use-say'

/** Up to four side by side; what differs stands out. */
export function Compare({ devices, onClose }: { devices: readonly DeviceModel[]; onClose: () => void }) {
  const say = useSay()

  const facts = devices.map(each => factsOf(say, each))
  const names = (facts[0] ?? []).map(([name]) => name)
  return (
    <Sheet title={say`Side by side`} open onClose={onClose} wide>
      <div className="overflow-x-auto" tabIndex={0} role="region" aria-label={say`Comparison`}>
        <table className="w-full text-left text-sm">
          <thead>
            <tr className="align-top">
              <td />
              {devices.map(device => (
                <th key={device.id} scope="col" className="min-w-40 p-2">
                  <DeviceFace device={device} />
                  {device.name}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {names.map((name, at) => {
              const says = facts.map(each => each[at]![1])
              if (says.every(each => each === '')) return null
              const differs = new Set(says).size > 1
              return (
                <tr key={name} className="border-t border-rule" data-differs={differs}>
                  <th scope="row" className="p-2 font-semibold">
                    {name}
                  </th>
                  {says.map((each, column) => (
                    <td key={devices[column]!.id} className={`p-2 ${differs ? 'font-bold' : 'text-soft'}`}>
                      {each || '–'}
                    </td>
                  ))}
                </tr>
              )
            })}
          </tbody>
        </table>
      </div>
    </Sheet>
  )
}
