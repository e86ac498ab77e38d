import { mayReferToGround } from '../job/ground-referenced'
import type { Supply } from '../model/device'
import { newCable } from './cable'
import { askedOf, line, type Cure, type Line, type Verdict } from './line'
import { leastWatts } from './measured'
import { groundIn, neutralIn, settling, type Question } from './place'
import { sayIn, type Say } from '../words/say'

/** What keeps the electronics alive: the best of the ways this device can be fed here. */
export function supplyLines(question: Question): Line[] {
  const ways = question.device.supply
  if (ways.length === 0) return []
  const lines = ways.map(way => supplyLine(question, way))
  const order: readonly Verdict[] = ['fits', 'fits-if', 'not-known', 'does-not-fit']
  return lines.sort((a, b) => order.indexOf(a.verdict) - order.indexOf(b.verdict)).slice(0, 1)
}

function supplyLine(question: Question, way: Supply): Line {
  switch (way.kind) {
    case 'line-neutral':
      return neutralLine(question)
    case 'line-ground':
      return groundReferencedLine(question)
    case 'through-load':
      return throughLoadLine(question, way.minimumWatts)
  }
}

const otherKind = (say: Say): Cure => ({
  id: 'no-neutral-kind',
  says: say`Take a kind that lives through the lamp and needs no neutral.`,
  price: 0,
  minutes: 0,
  here: false,
})

/** A kind that does not live through the lamp. */
export const neutralKind = (say: Say): Cure => ({
  ...otherKind(say),
  id: 'neutral-kind',
  says: say`Take a kind with neutral.`,
})

function neutralLine(question: Question): Line {
  const say = sayIn(question.view.region)

  const neutral = neutralIn(question.view)
  switch (neutral.kind) {
    case 'proven':
      return line('supply-neutral', 'fits', say`Neutral proven: ${neutral.name}.`, 'supply-neutral')
    case 'none':
      return line('supply-neutral', 'does-not-fit', say`No neutral in this box.`, 'supply-neutral', {
        cures: [otherKind(say), newCable(question, say`a neutral and a ground`)],
      })
    case 'unproven':
      return line(
        'supply-neutral',
        'not-known',
        say`The neutral is only ${neutral.proof}: ${neutral.end.name}.`,
        'neutral-reading',
        settling(neutral),
      )
    case 'not-recorded':
    case 'not-read':
      return line(
        'supply-neutral',
        'not-known',
        question.view.ends.length === 0
          ? say`Nobody has recorded what is in the box.`
          : say`None seen so far, and not all of the box is recorded.`,
        'supply-neutral',
        settling(neutral),
      )
  }
}

function groundReferencedLine(question: Question): Line {
  const say = sayIn(question.view.region)

  const available = groundIn(question.view)
  if (available.kind === 'none')
    return line('supply-ground', 'does-not-fit', say`No ground in this box to refer to.`, 'supply-ground', {
      cures: [newCable(question, say`a ground`)],
    })
  if (available.kind !== 'proven')
    return line(
      'supply-ground',
      'not-known',
      say`The ground is not shown to be continuous.`,
      'supply-ground',
      settling(available),
    )
  if (neutralIn(question.view).kind === 'proven')
    return line(
      'supply-ground',
      'does-not-fit',
      say`A neutral is here: a ground may not take its place.`,
      'supply-ground',
      {
        cures: [
          {
            ...otherKind(say),
            id: 'neutral-kind',
            says: say`Take the kind that lives between hot and neutral.`,
          },
        ],
      },
    )
  if (question.view.region.groundReferenced === 'never')
    return line(
      'supply-ground',
      'does-not-fit',
      say`It sends its current into the ground, which is allowed nowhere here.`,
      'supply-ground',
      {
        cures: [
          { ...otherKind(say), id: 'neutral-kind', says: say`Take a kind that does not live on the ground.` },
        ],
      },
    )
  if (mayReferToGround(question.view))
    return line(
      'supply-ground',
      'fits',
      say`Refers to the ground as a listed retrofit; check local code.`,
      'supply-ground',
    )
  return line(
    'supply-ground',
    'fits-if',
    say`It refers to the ground, which the house rule does not allow.`,
    'supply-ground',
    {
      cures: [
        {
          id: 'house-rule',
          says: say`Allow ground-referenced retrofits in the house rules, where local code does.`,
          price: 0,
          minutes: question.trade.minutes['house-rule'],
          here: true,
        },
      ],
    },
  )
}

/** The least of any single group that the device may be left feeding: all lamps of the group. */
function throughLoadLine(question: Question, minimumWatts: number): Line {
  const say = sayIn(question.view.region)

  const { loads, group } = question.place
  const { bypassWatts } = question.trade
  if (group.bypass !== 'none' && bypassWatts >= minimumWatts)
    return line(
      'minimum-load',
      'fits',
      say`A bypass ${group.bypass === 'fitted' ? say`is at` : say`comes to`} the luminaire: it carries up to ${bypassWatts} W, where it needs ${minimumWatts} W; see both sheets.`,
      'supply-through-load',
    )
  const watts = leastWatts(loads, question.view.region.nominalVolts)
  if (loads.length === 0)
    return line('minimum-load', 'not-known', say`No lamps are recorded.`, 'supply-through-load', {
      limit: minimumWatts,
      unit: say`W at least`,
      settledBy: say`Record the lamps: kind, watts, count.`,
    })
  if (watts === null)
    return line(
      'minimum-load',
      'not-known',
      say`It needs ${minimumWatts} W; what these lamps draw at least is not known.`,
      'supply-through-load',
      {
        limit: minimumWatts,
        unit: say`W at least`,
        settledBy: say`Read the watts of each kind of lamp; amperes or volt-amperes alone do not tell them.`,
        asked: askedOf(
          'watts',
          loads.filter(each => leastWatts([each], question.view.region.nominalVolts) === null),
        ),
      },
    )
  const figures = {
    value: watts,
    limit: minimumWatts,
    unit: say`W at least`,
    spare: (watts - minimumWatts) / minimumWatts,
  }
  if (watts >= minimumWatts)
    return line(
      'minimum-load',
      'fits',
      say`${watts} W keep it alive; it needs ${minimumWatts} W.`,
      'supply-through-load',
      figures,
    )
  return line(
    'minimum-load',
    'fits-if',
    say`${watts} W of the ${minimumWatts} W it needs: it would flicker, glow when off, or not start.`,
    'supply-through-load',
    {
      ...figures,
      cures: [
        ...(bypassWatts >= minimumWatts
          ? [
              {
                id: 'bypass',
                says: say`Fit a bypass at the luminaire.`,
                price: question.trade.prices.bypass,
                minutes: question.trade.minutes.bypass,
                here: true,
              },
            ]
          : []),
        neutralKind(say),
      ],
    },
  )
}
