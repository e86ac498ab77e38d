import { smallPart, type SmallPart } from '../model/small-part'
import { deviceNamed, type Trade } from '../model/trade'
import { willStand, type BoxView, type PlaceView } from '../job/box-view'
import { figure } from '../model/units'
import { fillOf, volumeOf } from './fill'
import { against, line, type Cure, type Line } from './line'
import type { Question } from './place'
import { setBackLimit } from './set-back'
import { sayIn, later } from '../words/say'
import { exactLength, measuresOf } from '../model/measures'

/** Room for the bends of conductors behind a device, in millimetres. */
const BEND_MILLIMETRES = 10

/** What is over, or undecided, in this box with the device in its gang; and the ring or box that cures it all. */
export function boxLines(question: Question): Line[] {
  const say = sayIn(question.view.region)

  const { view, device } = question
  const measures = measuresOf(view.record)
  const { depthMillimetres: depth } = view.box
  const volume = volumeOf(view.box)
  const byVolume = view.region.fillBy === 'volume'
  const fill = fillOf(question)
  const needed = device.size.depthMillimetres + BEND_MILLIMETRES
  const setBack = setBackOver(view)
  const lacking = {
    cubicInches: byVolume && volume !== null ? Math.max(0, fill.cubicInches - volume) : 0,
    riseMillimetres: Math.max(depth === null ? 0 : needed - depth, setBack, 0),
  }
  const isLacking = lacking.cubicInches > 0 || lacking.riseMillimetres > 0
  const cures = isLacking
    ? boxCures(question, lacking, { cubicInches: fill.cubicInches, depthMillimetres: needed })
    : []
  const lines: Line[] = []
  if (byVolume && volume === null)
    lines.push(
      line(
        'box-fill',
        'not-known',
        say`${figure(fill.cubicInches, 2)} in³ are needed; the box’s volume is not recorded.`,
        'box-fill',
        {
          settledBy: say`Read the volume in the box, or take it from the table.`,
          asked: [{ fact: 'volume', boxId: view.box.id }],
        },
      ),
    )
  if (byVolume && volume !== null) {
    const over = lacking.cubicInches > 1e-9
    lines.push(
      line(
        'box-fill',
        over ? 'fits-if' : 'fits',
        say`${figure(fill.cubicInches, 2)} of ${figure(volume, 2)} in³: ${fill.says}.`,
        'box-fill',
        { ...against(fill.cubicInches, volume, 'in³'), cures: over ? cures : [] },
      ),
    )
  }
  lines.push(
    depth === null
      ? line(
          'box-depth',
          'not-known',
          say`${exactLength(measures, needed)} are needed; the box’s depth is not recorded.`,
          'box-depth',
          {
            settledBy: say`Measure the depth of the box.`,
            asked: [{ fact: 'depth', boxId: view.box.id }],
          },
        )
      : line(
          'box-depth',
          needed > depth ? 'fits-if' : 'fits',
          say`${exactLength(measures, needed)} of ${exactLength(measures, depth)} deep${needed > depth && (view.box.setBackMillimetres ?? 0) > 0 ? say`; that it sits back counts for nothing until a ring covers it` : ''}.`,
          'box-depth',
          { ...against(needed, depth, 'mm'), cures: needed > depth ? cures : [] },
        ),
  )
  if (setBack > 0)
    lines.push(
      line(
        'set-back',
        'fits-if',
        say`The box sits ${exactLength(measures, setBack)} back in ${view.box.surface}.`,
        'set-back',
        { value: setBack, limit: setBackLimit(view.box.surface), unit: 'mm', cures },
      ),
    )
  return [...lines, ...gangLines(question)]
}

/** How far back it sits where that is too far; else 0. */
function setBackOver({ box }: BoxView): number {
  const limit = setBackLimit(box.surface)
  const back = box.setBackMillimetres ?? 0
  return limit !== null && back > limit ? back : 0
}

/** The smallest ring that brings all that is lacking; a deeper box where none does. */
function boxCures(
  { view, trade }: Question,
  lacking: { readonly cubicInches: number; readonly riseMillimetres: number },
  needed: { readonly cubicInches: number; readonly depthMillimetres: number },
): Cure[] {
  const say = sayIn(view.region)

  const measures = measuresOf(view.record)
  const byVolume = view.region.fillBy === 'volume'
  const ring = trade.rings.find(
    each =>
      each.gangs === view.box.gangs &&
      each.cubicInches >= lacking.cubicInches - 1e-9 &&
      each.riseMillimetres >= lacking.riseMillimetres,
  )
  if (byVolume && ring) {
    const volume = volumeOf(view.box)
    const depth = view.box.depthMillimetres
    const then = [
      ...(volume === null ? [] : [say`${figure(volume + ring.cubicInches, 2)} in³`]),
      ...(depth === null ? [] : [exactLength(measures, depth + ring.riseMillimetres)]),
    ]
    return [
      {
        id: 'ring',
        says: say`Fit ${ring.words}${then.length > 0 ? say`: then ${then.join(', ')}` : ''}.`,
        price: ring.price,
        minutes: trade.minutes.ring,
        here: true,
        parts: longScrews(view, ring.riseMillimetres),
      },
    ]
  }
  const asks = [
    ...(byVolume ? [say`${figure(needed.cubicInches, 2)} in³`] : []),
    exactLength(measures, needed.depthMillimetres),
  ]
  return [
    {
      id: 'deeper-box',
      says: say`Take a box of ${asks.join(say` and `)} or more.`,
      price: trade.prices['deeper-box'],
      minutes: trade.minutes['deeper-box'],
      here: true,
    },
  ]
}

/** Screws for what the ring sets further out than their own reach: two a gang. */
function longScrews({ box, region }: BoxView, riseMillimetres: number): SmallPart[] {
  const { device, deviceMillimetres } = region.screws
  return Array.from({ length: box.gangs * 2 }, () =>
    smallPart('screw', later`device screw, ${device}`, deviceMillimetres + riseMillimetres),
  )
}

/** What stands, or will stand, in each gang: what is chosen, else what is there. */
export const occupantOf = (place: PlaceView, trade: Trade) =>
  deviceNamed(trade, willStand(place) ?? '') ?? null

/** A device wider than its gang needs the next ones free. */
function gangLines({ view, place, device, trade }: Question): Line[] {
  const say = sayIn(view.region)

  const { gangs } = device.size
  if (gangs === 1) return []
  const first = place.place.gang
  const last = first + gangs - 1
  const taken = view.places.find(
    each =>
      each.place.id !== place.place.id &&
      each.place.gang >= first &&
      each.place.gang <= last &&
      occupantOf(each, trade) !== null,
  )
  const fits = last <= view.box.gangs && !taken
  return [
    line(
      'gangs',
      fits ? 'fits' : 'does-not-fit',
      fits
        ? say`It takes gangs ${first} to ${last}.`
        : taken
          ? say`It is ${gangs} gangs wide, and gang ${taken.place.gang} holds ${occupantOf(taken, trade)!.name}.`
          : say`It is ${gangs} gangs wide; this box ends with gang ${view.box.gangs}.`,
      'box-fill',
      {
        cures: fits
          ? []
          : [
              {
                id: 'wider-box',
                says: say`Take a box of ${view.box.gangs + gangs - 1} gangs.`,
                price: trade.prices['wider-box'],
                minutes: trade.minutes['wider-box'],
                here: false,
              },
            ],
      },
    ),
  ]
}
