import type { Edit } from '../job/command'
import type { BoxView } from '../job/box-view'
import type { DeviceModel } from '../model/device'
import type { Pen } from './pen'

/**
 * The old device of a place is found to be of another kind. What sits on a terminal of the same name stays there; where
 * the others sit is for the person to say: they hang loose until then, and a pigtail to such a terminal is taken back.
 */
export function oldDeviceChanged(pen: Pen, view: BoxView, deviceId: string, model: DeviceModel): Edit[] {
  const has = (terminal: string | null) => model.terminals.some(({ id }) => id === terminal)
  return [
    pen.change('devices', deviceId, { modelId: model.id }),
    ...view.ends
      .filter(({ end }) => end.deviceId === deviceId && !has(end.terminal))
      .map(({ end }) => pen.change('ends', end.id, { seat: 'loose', deviceId: null, terminal: null })),
    ...view.pigtails
      .filter(pigtail => pigtail.deviceId === deviceId && !has(pigtail.terminal))
      .map(({ id }) => pen.remove('pigtails', id)),
  ]
}
