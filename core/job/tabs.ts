import type { DeviceModel } from '../model/device'
import type { Place } from '../model/entities'

/** A control as it stands: where, and what it is. */
export interface Standing {
  readonly id: string
  readonly place: Pick<Place, 'boxId' | 'gang' | 'part'>
  readonly model: DeviceModel
}

/** Two terminals that a device joins whatever it does: by the tab to the part beside it, or through its protection. */
export interface Tab {
  readonly a: { readonly deviceId: string; readonly terminalId: string }
  readonly b: { readonly deviceId: string; readonly terminalId: string }
}

/** What devices join as they stand: the tabs between parts of one piece beside each other, and what is fed through one. */
export const tabsOf = (devices: readonly Standing[]): Tab[] => [
  ...tabsBetween(devices),
  ...devices.flatMap(fedThrough),
]

function fedThrough({ id, model: { outlet } }: Standing): Tab[] {
  const protects = outlet?.protects
  if (!protects) return []
  return (['hot', 'neutral'] as const).map(pole => ({
    a: { deviceId: id, terminalId: outlet[pole] },
    b: { deviceId: id, terminalId: protects[pole] },
  }))
}

function tabsBetween(devices: readonly Standing[]): Tab[] {
  return devices.flatMap(({ id, place, model }) => {
    const beside = devices.find(
      other =>
        other.place.boxId === place.boxId &&
        other.place.gang === place.gang &&
        other.place.part === place.part + 1,
    )
    const own = model.part?.tab
    const next = beside?.model.part?.tab
    if (!own || !next || model.part?.of !== beside.model.part?.of) return []
    return [{ a: { deviceId: id, terminalId: own }, b: { deviceId: beside.id, terminalId: next } }]
  })
}
