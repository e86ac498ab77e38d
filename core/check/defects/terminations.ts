import { returnsOnNeutral } from '../../job/exchange'
import { isHotRole, isLoadRole } from '../../model/roles'
import { deviceNamed } from '../../model/trade'
import { hintOf, looksLikeGround } from '../../model/regions'
import { figure } from '../../model/units'
import type { Role } from '../../model/vocabulary'
import { gaugeWords, guardedIn, isSurelyOver, largestOf, thinTails } from '../breaker-of'
import type { DefectRule, Found } from './raised'

/** A conductor on a breaker that it cannot bear; where several come in and it is not said which, only what none would suit. */
const undersized: DefectRule = (view, trade) => {
  const over = guardedIn(view, trade).filter(
    guarded =>
      guarded.each.cable.sheath !== 'own-leads' &&
      !looksLikeGround(view.region, guarded.each.conductor) &&
      isSurelyOver(guarded),
  )
  return view.cables.flatMap((cable): Found[] => {
    const [worst] = over
      .filter(({ each }) => each.cable.id === cable.id)
      .sort((one, other) => one.mostAmps - other.mostAmps)
    if (!worst) return []
    const { breaker } = view.region.words
    const { breaker: name, ratedAmps } = largestOf(worst)
    const { ring, words } = view.region
    if (ring && worst.each.conductor.gauge === ring.gauge && ratedAmps <= ring.amps)
      return [
        {
          kind: 'undersized' as const,
          of: cable.id,
          severity: 'remark',
          what: `Cable ${cable.name} is ${ring.gauge} on ${breaker} ${name} of ${figure(ratedAmps)} A: right only in a ring, both its ends on that ${breaker}`,
          cure: `Power off, both ends at the ${words.panel}: each conductor continuous from one end to the other. Where it is no ring, a ${breaker} of ${figure(worst.mostAmps)} A.`,
          parts: [],
          factId: 'ring',
        },
      ]
    return [
      {
        kind: 'undersized' as const,
        of: cable.id,
        severity: 'danger',
        what: `Cable ${cable.name} is ${gaugeWords(worst.each.conductor)} on ${breaker} ${name} of ${figure(ratedAmps)} A (at most ${figure(worst.mostAmps)} A)`,
        cure: `A ${breaker} of ${figure(worst.mostAmps)} A, or the piece replaced.`,
        parts: [`${breaker} of ${figure(worst.mostAmps)} A`],
        factId: 'conductor-breaker',
      },
    ]
  })
}

/** A tail carries what its joint carries, however short it is. */
const thinTail: DefectRule = (view, trade) =>
  thinTails(view, trade).map(({ pigtail, gauge, guarded }) => {
    const { breaker, ratedAmps } = largestOf(guarded)
    const { mostAmps, each } = guarded
    const most = mostAmps > 0 ? `at most ${figure(mostAmps)} A` : 'for no circuit'
    return {
      kind: 'thin-tail' as const,
      of: pigtail.id,
      severity: 'danger',
      what: `A pigtail from the joint of ${each.name} is ${gauge} on ${view.region.words.breaker} ${breaker} of ${figure(ratedAmps)} A (${most})`,
      cure: `A new pigtail in ${each.conductor.gauge}.`,
      parts: [`Pigtail, ${each.conductor.gauge}`],
      factId: 'conductor-breaker',
    }
  })

const aluminium: DefectRule = view =>
  view.ends.some(({ conductor }) => conductor.metal === 'aluminium')
    ? [
        {
          kind: 'aluminium' as const,
          severity: 'danger',
          what: 'Aluminium conductors',
          cure: 'Connectors listed for aluminium, copper pigtails.',
          parts: ['Connectors listed for aluminium to copper, one a conductor', 'Copper pigtails'],
          factId: 'aluminium',
        },
      ]
    : []

const bareCopper: DefectRule = view =>
  view.joints
    .filter(joint => joint.bareShows)
    .map(joint => ({
      kind: 'bare' as const,
      of: joint.id,
      severity: 'danger',
      what: 'Bare copper shows outside a joint',
      cure: 'Make the joint again.',
      parts: ['Connector'],
      factId: 'joint',
    }))

const tapeOnly: DefectRule = view =>
  view.joints
    .filter(joint => joint.connector === 'tape-only')
    .map(joint => ({
      kind: 'tape' as const,
      of: joint.id,
      severity: 'danger',
      what: 'A joint is held by tape only',
      cure: 'Make it in a connector.',
      parts: ['Connector'],
      factId: 'joint',
    }))

const twoUnderOne: DefectRule = (view, trade) => {
  const held = new Map<string, string[]>()
  for (const { end, name } of view.ends)
    if (end.seat === 'terminal') {
      const key = `${end.deviceId}/${end.terminal}`
      held.set(key, [...(held.get(key) ?? []), name])
    }
  return [...held].flatMap(([key, names]) => {
    const [deviceId = '', terminalId] = key.split('/')
    const model = deviceNamed(trade, view.record.devices[deviceId]?.modelId ?? '')
    const most = model?.terminals.find(terminal => terminal.id === terminalId)?.atMost ?? 1
    return names.length > most
      ? [
          {
            kind: 'crowded' as const,
            of: key,
            severity: 'defect' as const,
            what: `${names.join(' and ')} sit under one screw`,
            cure: 'A pigtail to the screw.',
            parts: [`Connector for ${names.length + 1}`, 'Pigtail'],
            factId: 'termination',
          },
        ]
      : []
  })
}

/** Loose is said of a conductor once somebody said that all that can be seen is recorded: before, its seat waits. */
const looseEnd: DefectRule = view =>
  (view.box.recorded ? view.ends : [])
    .filter(({ end }) => end.seat === 'loose')
    .map(({ end, name }) => ({
      kind: 'loose' as const,
      of: end.id,
      severity: 'danger',
      what: `${name} ends loose in the box`,
      cure: 'Cap it on its own.',
      parts: ['Connector as a cap'],
      factId: 'joint',
    }))

/** What a conductor in a neutral’s colour is used as where it is none; null where it may be one, or nothing. */
const usedAs = (role: Role, hot: string): string | null =>
  isHotRole(role) ? hot : role === 'traveller' ? 'traveller' : isLoadRole(role) ? `switched ${hot}` : null

/** A neutral’s colour that brings the switched current back where the region lets it feed one only: no mark cures it. */
const returningNeutral: DefectRule = view =>
  view.ends
    .filter(each => returnsOnNeutral(view, each))
    .map(({ end, name }) => ({
      kind: 'unmarked' as const,
      of: end.id,
      severity: 'defect',
      what: `${name} brings the switched ${view.region.words.hot} back: in its colour it may only feed`,
      toOwner:
        'A wire in the colour that says “harmless” carries mains voltage here whenever the light is on: whoever opens this box next may take hold of it',
      cure: 'Exchange it with the one that feeds, here and at its other end; then mark the one that feeds.',
      parts: ['Tape in the colour of a hot'],
      factId: 'remark',
    }))

/** A neutral’s colour that feeds, travels or returns and carries no mark says neutral to the next person. */
const unmarkedHot: DefectRule = (view, trade) =>
  view.ends
    .filter(each => {
      const { end, conductor } = each
      if (returnsOnNeutral(view, each)) return false
      if (hintOf(view.region, conductor) !== 'neutral' || conductor.markedAs !== null) return false
      if (end.role !== null) return usedAs(end.role, '') !== null
      const model = deviceNamed(trade, view.record.devices[end.deviceId ?? '']?.modelId ?? '')
      const terminal = model?.terminals.find(({ id }) => id === end.terminal)
      return terminal !== undefined && terminal.wants !== 'neutral'
    })
    .map(({ end, name }) => ({
      kind: 'unmarked' as const,
      of: end.id,
      severity: 'defect',
      what: `${name} is used as ${(end.role && usedAs(end.role, view.region.words.hot)) ?? view.region.words.hot} and not marked`,
      toOwner:
        'A wire in the colour that says “harmless” carries mains voltage here, and nothing on it says so: whoever opens this box next may take hold of it',
      cure: 'Mark it at both ends.',
      parts: ['Tape in the colour of a hot'],
      factId: 'remark',
    }))

const cloth: DefectRule = view =>
  view.cables
    .filter(cable => cable.sheath === 'cloth')
    .map(cable => ({
      kind: 'cloth' as const,
      of: cable.id,
      severity: 'remark',
      what: `Cable ${cable.name} is cloth covered: its insulation may crumble`,
      cure: 'Sleeve the ends; bend them as little as possible.',
      parts: ['Heat-shrink sleeve, one a conductor'],
      factId: 'joint',
    }))

/** What is wrong with conductors, and with how they end. */
export const TERMINATION_RULES: readonly DefectRule[] = [
  undersized,
  thinTail,
  bareCopper,
  looseEnd,
  aluminium,
  tapeOnly,
  twoUnderOne,
  returningNeutral,
  unmarkedHot,
  cloth,
]
