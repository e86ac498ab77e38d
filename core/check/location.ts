import type { BoxView } from '../job/box-view'
import type { DeviceModel } from '../model/device'
import { sayIn } from '../words/say'
import { line, type Line } from './line'
import type { Question } from './place'

/** What an enclosure keeps out, the least first. */
const CLOSED = ['dry', 'damp', 'wet'] as const

const enclosureOf = ({ enclosure }: DeviceModel): number => CLOSED.indexOf(enclosure ?? 'dry')

/** Whether a box stands where water may come, as far as its room says. */
const mayBeWet = ({ room }: BoxView): boolean => room.kind === 'wet' || room.kind === 'outside'

/** What may stand where the box is, by how near water is; the distances are the local code’s. */
export function locationLines({ view, device, trade }: Question): Line[] {
  const say = sayIn(view.region)
  const { location } = view.box
  if (device.terminals.length === 0) return []
  if (location === 'not-said')
    return mayBeWet(view)
      ? [
          line('location', 'not-known', say`How near water this box stands is not said.`, 'damp', {
            settledBy: say`Say on Look how near water the box stands.`,
            asked: [{ fact: 'location', boxId: view.box.id }],
          }),
        ]
      : []
  const there = view.region.locations.find(({ id }) => id === location)
  // Of another region’s words: nothing is known by it here.
  if (!there)
    return [
      line(
        'location',
        'not-known',
        say`How near water this box stands is not said in the words used here.`,
        'damp',
        {
          settledBy: say`Say on Look how near water the box stands.`,
          asked: [{ fact: 'location', boxId: view.box.id }],
        },
      ),
    ]
  if (there.needs === 'nothing-stands')
    return device.byCord
      ? [line('location', 'fits', say`Only its cord hangs there; the switch itself is beyond reach.`, 'damp')]
      : [
          line(
            'location',
            'does-not-fit',
            say`No control stands there: ${say(there.says).toLowerCase()}.`,
            'damp',
            {
              cures: [
                {
                  id: 'stand-elsewhere',
                  says: say`Set the control beyond it, or take one that is worked by a cord.`,
                  price: 0,
                  minutes: 0,
                  here: false,
                },
              ],
            },
          ),
        ]
  const needed = CLOSED.indexOf(there.needs)
  if (enclosureOf(device) >= needed)
    return needed === 0 ? [] : [line('location', 'fits', say`Its enclosure is made for it.`, 'damp')]
  return [
    line(
      'location',
      there.byCover ? 'fits-if' : 'does-not-fit',
      there.byCover
        ? say`Fits behind a cover that is made for it: ${say(there.says).toLowerCase()}.`
        : say`Its enclosure is made for dry places: ${say(there.says).toLowerCase()}.`,
      'damp',
      {
        cures: [
          there.byCover
            ? {
                id: 'cover',
                says: say`A box and a cover that are closed against water, with their gasket.`,
                price: trade.prices.cover,
                minutes: trade.minutes.cover,
                here: true,
              }
            : {
                id: 'closed-kind',
                says: say`Take one whose enclosure is made for it.`,
                price: 0,
                minutes: 0,
                here: false,
              },
        ],
      },
    ),
  ]
}
