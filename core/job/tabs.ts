import type { DeviceModel } from '../model/device'
import type { Place } from '../model/entities'

/** A control as it stands: where, and what it is. */
export interface Standing {
  readonly id: string
  readonly place: Pick<Place, 'boxId' | 'gang' | 'part'>
  readonly model: DeviceModel
}

/** A terminal of one part and of the part beside it, joined by the tab between them. */
export interface Tab {
  readonly a: { readonly deviceId: string; readonly terminalId: string }
  readonly b: { readonly deviceId: string; readonly terminalId: string }
}

/** The tabs between parts of one piece that stand beside each other. */
export function tabsOf(devices: readonly Standing[]): Tab[] {
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
