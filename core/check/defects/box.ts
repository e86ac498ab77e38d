import { racewayGround } from '../../job/raceway'
import { DEAD_VOLTS } from '../../model/limits'
import { looksLikeGround, isNominal } from '../../model/regions'
import { figure } from '../../model/units'
import { fillAsFound, volumeOf } from '../fill'
import { setBackLimit } from '../set-back'
import { RING, type DefectRule } from './raised'

const ungroundedMetal: DefectRule = view => {
  if (view.box.material !== 'metal' || view.ends.length === 0) return []
  const { ground } = view.region.words
  if (!view.ends.some(({ conductor }) => looksLikeGround(view.region, conductor))) {
    const raceway = racewayGround(view)
    if (raceway === 'continuous') return []
    if (raceway === 'not-read')
      return [
        {
          kind: 'raceway-not-read' as const,
          severity: 'remark',
          what: `The metal ${view.region.words.box} has no ${ground} but its steel pipe, and nobody has read whether that is one`,
          cure: `Read from a live point to the metal of the ${view.region.words.box}: nominal where it is.`,
          parts: [],
          factId: 'raceway-ground',
        },
      ]
    return [
      {
        kind: 'no-ground-metal-box' as const,
        severity: 'danger',
        what: `Metal box without a ${ground}`,
        cure: `A ${ground} brought in, or as local code permits: until then no metal plate, and a receptacle only behind ground-fault protection, marked “no equipment ${ground}”.`,
        parts: [`${ground} conductor to the nearest ${ground}ed point`, 'Bonding screw or clip'],
        factId: 'ground-present',
      },
    ]
  }
  return view.box.bonded === 'no'
    ? [
        {
          kind: 'box-not-bonded' as const,
          severity: 'danger',
          what: 'The metal box is not bonded',
          cure: 'A bonding screw or clip with a pigtail.',
          parts: ['Bonding screw or clip', `${ground} pigtail`],
          factId: 'ground-present',
        },
      ]
    : []
}

/** The last reference reading to a ground of this box decides: a ground is good once it reads as one. */
const groundOpen: DefectRule = view => {
  const last = view.readings
    .filter(({ purpose, toEndId }) => purpose === 'reference' && toEndId !== null)
    .at(-1)
  const end = last && view.ends.find(each => each.end.id === last.toEndId)
  if (!end || isNominal(last.value, view.region)) return []
  const { ground } = view.region.words
  if (last.value > DEAD_VOLTS)
    return [
      {
        kind: 'ground-open' as const,
        of: end.end.id,
        severity: 'defect',
        what: `${end.name} read ${figure(last.value)} V from a live point: too little for a sound ${ground}, too much for an open one`,
        cure: `Read the same live point to a neutral. As low there: the supply is. Nominal there: a poor joint in this ${ground}, towards the ${view.region.words.panel}.`,
        parts: [],
        factId: 'ground-present',
      },
    ]
  return [
    {
      kind: 'ground-open' as const,
      of: end.end.id,
      severity: 'danger',
      what: `${end.name} read ${figure(last.value)} V from a live point: this ${ground} leads nowhere`,
      cure: `Find the joint where the ${ground} is open, from this box towards the ${view.region.words.panel}, with the power off.`,
      parts: ['Connector'],
      factId: 'ground-present',
    },
  ]
}

const setBack: DefectRule = ({ box }) => {
  const back = box.setBackMillimetres ?? 0
  const burns = box.surface === 'wood'
  const limit = setBackLimit(box.surface)
  if (limit === null || back <= limit) return []
  return [
    {
      kind: 'set-back' as const,
      severity: burns ? 'danger' : 'defect',
      what: `The box sits ${figure(back)} mm back in ${box.surface}${burns ? ', which burns' : ''} (at most ${limit} mm)`,
      cure: 'An extension ring, so that no surface lies open to the wiring.',
      parts: [RING, 'Longer device screws'],
      factId: 'set-back',
    },
  ]
}

const overfull: DefectRule = (view, trade) => {
  const volume = volumeOf(view.box)
  if (view.region.fillBy !== 'volume' || volume === null || view.ends.length === 0) return []
  const fill = fillAsFound(view, trade)
  return fill.cubicInches > volume + 1e-9
    ? [
        {
          kind: 'overfull' as const,
          severity: 'defect',
          what: `Overfull as found: ${figure(fill.cubicInches, 2)} of ${figure(volume, 2)} in³`,
          cure: 'An extension ring or a deeper box.',
          parts: [`${RING} of ${figure(fill.cubicInches - volume, 2)} in³ or more, or a deeper box`],
          factId: 'box-fill',
        },
      ]
    : []
}

const hidden: DefectRule = ({ box, region }) =>
  box.hidden
    ? [
        {
          kind: 'hidden' as const,
          severity: 'defect',
          what: `The ${region.words.box} is covered and cannot be reached`,
          cure: 'Open it up and leave it under a plate that can be seen, or take its joints to where they can be reached.',
          parts: ['Blank plate', RING],
          factId: 'box-reached',
        },
      ]
    : []

const shortConductor: DefectRule = ({
  box: { freeLengthMillimetres: free },
  region: { freeMillimetres: least },
}) =>
  free === null || least === null || free >= least
    ? []
    : [
        {
          kind: 'short-conductor' as const,
          severity: 'defect',
          what: `Only ${figure(free)} mm of conductor is free (at least ${least} mm)`,
          cure: 'A pigtail on each short conductor; where it leaves no room, a new cable.',
          parts: ['A pigtail and a connector for each short conductor'],
          factId: 'free-conductor',
        },
      ]

/** What is wrong with the box itself. */
export const BOX_RULES: readonly DefectRule[] = [
  ungroundedMetal,
  groundOpen,
  setBack,
  shortConductor,
  hidden,
  overfull,
]
