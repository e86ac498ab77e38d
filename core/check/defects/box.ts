import { isLowVoltage } from '../../job/box-view'
import { racewayGround } from '../../job/raceway'
import { DEAD_VOLTS } from '../../model/limits'
import { looksLikeGround, isNominal } from '../../model/regions'
import { figure } from '../../model/units'
import { fillAsFound, volumeOf } from '../fill'
import { setBackLimit } from '../set-back'
import { RING, type DefectRule } from './raised'
import { sayIn } from '../../words/say'
import { exactLength, lengthWords, measuresOf } from '../../model/measures'

const ungroundedMetal: DefectRule = view => {
  const say = sayIn(view.region)

  if (view.box.material !== 'metal' || view.ends.length === 0) return []
  if (!view.ends.some(({ conductor }) => looksLikeGround(view.region, conductor))) {
    const raceway = racewayGround(view)
    if (raceway === 'continuous') return []
    if (raceway === 'not-read')
      return [
        {
          kind: 'raceway-not-read' as const,
          severity: 'remark',
          what: say`The metal box has no ground but its steel pipe, and nobody has read whether that is one`,
          cure: say`Read from a live point to the metal of the box: nominal where it is.`,
          parts: [],
          factId: 'raceway-ground',
        },
      ]
    return [
      {
        kind: 'no-ground-metal-box' as const,
        severity: 'danger',
        what: say`Metal box without a ground`,
        cure: say`A ground brought in, or as local code permits: until then no metal plate, and a receptacle only behind ground-fault protection, marked “no equipment ground”.`,
        parts: [say`ground conductor to the nearest grounded point`, say`Bonding screw or clip`],
        factId: 'ground-present',
      },
    ]
  }
  return view.box.bonded === 'no'
    ? [
        {
          kind: 'box-not-bonded' as const,
          severity: 'danger',
          what: say`The metal box is not bonded`,
          cure: say`A bonding screw or clip with a pigtail.`,
          parts: [say`Bonding screw or clip`, say`ground pigtail`],
          factId: 'ground-present',
        },
      ]
    : []
}

/** The last reference reading to a ground of this box decides: a ground is good once it reads as one. */
const groundOpen: DefectRule = view => {
  const say = sayIn(view.region)

  const last = view.readings
    .filter(({ purpose, toEndId }) => purpose === 'reference' && toEndId !== null)
    .at(-1)
  const end = last && view.ends.find(each => each.end.id === last.toEndId)
  if (!end || isNominal(last.value, view.region)) return []
  if (last.value > DEAD_VOLTS)
    return [
      {
        kind: 'ground-open' as const,
        of: end.end.id,
        severity: 'defect',
        what: say`${end.name} read ${figure(last.value)} V from a live point: too little for a sound ground, too much for an open one`,
        cure: say`Read the same live point to a neutral. As low there: the supply is. Nominal there: a poor joint in this ground, towards the panel.`,
        parts: [],
        factId: 'ground-present',
      },
    ]
  return [
    {
      kind: 'ground-open' as const,
      of: end.end.id,
      severity: 'danger',
      what: say`${end.name} read ${figure(last.value)} V from a live point: this ground leads nowhere`,
      cure: say`Find the joint where the ground is open, from this box towards the panel, with the power off.`,
      parts: [say`Connector`],
      factId: 'ground-present',
    },
  ]
}

const setBack: DefectRule = ({ record, region, box }) => {
  const say = sayIn(region)
  const back = box.setBackMillimetres ?? 0
  const burns = box.surface === 'wood'
  const limit = setBackLimit(box.surface)
  if (limit === null || back <= limit) return []
  return [
    {
      kind: 'set-back' as const,
      severity: burns ? 'danger' : 'defect',
      what: say`The box sits ${exactLength(measuresOf(record), back)} back in ${say(box.surface)}${burns ? say`, which burns` : ''} (at most ${exactLength(measuresOf(record), limit)})`,
      cure: say`An extension ring, so that no surface lies open to the wiring.`,
      parts: [say(RING), say`Longer device screws`],
      factId: 'set-back',
    },
  ]
}

const overfull: DefectRule = (view, trade) => {
  const say = sayIn(view.region)

  const volume = volumeOf(view.box)
  if (view.region.fillBy !== 'volume' || volume === null || view.ends.length === 0) return []
  const fill = fillAsFound(view, trade)
  return fill.cubicInches > volume + 1e-9
    ? [
        {
          kind: 'overfull' as const,
          severity: 'defect',
          what: say`Overfull as found: ${figure(fill.cubicInches, 2)} of ${figure(volume, 2)} in³`,
          cure: say`An extension ring or a deeper box.`,
          parts: [say`${say(RING)} of ${figure(fill.cubicInches - volume, 2)} in³ or more, or a deeper box`],
          factId: 'box-fill',
        },
      ]
    : []
}

const hidden: DefectRule = ({ box, region }) => {
  const say = sayIn(region)
  return box.hidden
    ? [
        {
          kind: 'hidden' as const,
          severity: 'defect',
          what: say`The box is covered and cannot be reached`,
          cure: say`Open it up and leave it under a plate that can be seen, or take its joints to where they can be reached.`,
          parts: [say`Blank plate`, say(RING)],
          factId: 'box-reached',
        },
      ]
    : []
}

const shortConductor: DefectRule = ({ record, box: { freeLengthMillimetres: free }, region }) => {
  const say = sayIn(region)
  const least = region.freeMillimetres
  return free === null || least === null || free >= least
    ? []
    : [
        {
          kind: 'short-conductor' as const,
          severity: 'defect',
          what: say`Only ${exactLength(measuresOf(record), free)} of conductor is free (at least ${lengthWords(measuresOf(record), least)})`,
          cure: say`A pigtail on each short conductor; where it leaves no room, a new cable.`,
          parts: [say`A pigtail and a connector for each short conductor`],
          factId: 'free-conductor',
        },
      ]
}

/** What is wrong with the box itself. */
/** Low voltage beside mains, and nothing between. */
const notParted: DefectRule = view => {
  const say = sayIn(view.region)
  const low = view.ends.filter(isLowVoltage)
  if (view.box.divided !== 'no' || low.length === 0 || low.length === view.ends.length) return []
  const names = [...new Set(low.map(({ cable }) => cable.name))].join(', ')
  return [
    {
      kind: 'not-parted' as const,
      severity: 'defect',
      what: say`Cable ${names} carries low voltage beside mains, and nothing parts them`,
      cure: say`A partition in the box, or the pair insulated for mains where the device’s sheet allows it.`,
      parts: [say`Partition for the box`],
      factId: 'class-separation',
    },
  ]
}

export const BOX_RULES: readonly DefectRule[] = [
  notParted,
  ungroundedMetal,
  groundOpen,
  setBack,
  shortConductor,
  hidden,
  overfull,
]
