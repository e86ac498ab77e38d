import type { LampKind } from '../model/vocabulary'
import { figure } from '../model/units'
import { against, askedOf, line, type Line } from './line'
import type { Question } from './place'
import { sayIn } from '../words/say'

/** Lamps and gear whose electronics fill their capacitors at a start. */
const STARTS_WITH_A_RUSH: readonly LampKind[] = ['led', 'cfl', 'electronic-transformer', 'electronic-ballast']

/** What all electronics that start at once ask of a contact: how many there are, and the rush they take. */
export const startLines = (question: Question): Line[] => [...driverLines(question), ...inrushLines(question)]

/** Every LED lamp has a driver of its own, and all of them start at once. */
function driverLines({ view, place, device }: Question): Line[] {
  const say = sayIn(view.region)
  const { mostDrivers } = device
  const drivers = place.loads
    .filter(({ kind }) => kind === 'led' || kind === 'cfl')
    .reduce((sum, load) => sum + load.count, 0)
  if (mostDrivers === undefined || drivers === 0) return []
  const over = drivers > mostDrivers
  return [
    line(
      'load-drivers',
      over ? 'does-not-fit' : 'fits',
      say.count(
        drivers,
        '# driver, of {0} that its sheet allows.',
        '# drivers, of {0} that its sheet allows.',
        mostDrivers,
      ),
      'load-drivers',
      {
        ...against(drivers, mostDrivers, say`drivers`),
        cures: over
          ? [
              {
                id: 'more-drivers',
                says: say.count(
                  drivers,
                  'Take a device whose sheet allows # driver or names none, or fewer lamps.',
                  'Take a device whose sheet allows # drivers or names none, or fewer lamps.',
                ),
                price: 0,
                minutes: 0,
                here: false,
              },
            ]
          : [],
      },
    ),
  ]
}

/** All drivers start at once: their rushes add up. What nobody has read is held against the number of drivers alone. */
function inrushLines({ view, place, device }: Question): Line[] {
  const say = sayIn(view.region)
  const { mostInrushAmperes: most, mostDrivers } = device
  const electronic = place.loads.filter(({ kind }) => STARTS_WITH_A_RUSH.includes(kind))
  if (most === undefined || electronic.length === 0) return []
  const unread = electronic.filter(({ inrushAmperesEach }) => inrushAmperesEach === null)
  const read = electronic.reduce((sum, load) => sum + (load.inrushAmperesEach ?? 0) * load.count, 0)
  const over = read > most
  if (!over && unread.length > 0)
    // The sheet's number of drivers stands for what no plate says.
    return mostDrivers === undefined
      ? [
          line(
            'load-inrush',
            'not-known',
            say`${unread.map(({ name }) => name).join(say` and `)}: nobody has read the inrush.`,
            'load-inrush',
            {
              settledBy: say`Read the inrush on the plate or the sheet of one driver.`,
              asked: askedOf('inrush', unread),
            },
          ),
        ]
      : []
  return [
    line(
      'load-inrush',
      over ? 'does-not-fit' : 'fits',
      say`${figure(read)} A of inrush at a start, of ${most} A that its sheet allows.`,
      'load-inrush',
      {
        ...against(read, most, 'A'),
        cures: over
          ? [
              {
                id: 'more-inrush',
                says: say`Take a device whose sheet allows ${figure(read)} A of inrush, or lamps that take less.`,
                price: 0,
                minutes: 0,
                here: false,
              },
            ]
          : [],
      },
    ),
  ]
}
