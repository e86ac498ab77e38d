import { returnsOnNeutral } from '../../job/exchange'
import { isHotRole, isLoadRole } from '../../model/roles'
import { deviceNamed } from '../../model/trade'
import { hintOf, looksLikeGround } from '../../model/regions'
import { figure } from '../../model/units'
import type { Role } from '../../model/vocabulary'
import { gaugeWords, guardedIn, isSurelyOver, largestOf, thinTails } from '../breaker-of'
import type { DefectRule, Found } from './raised'
import { sayIn, type Say } from '../../words/say'

/** A conductor on a breaker that it cannot bear; where several come in and it is not said which, only what none would suit. */
const undersized: DefectRule = (view, trade) => {
  const say = sayIn(view.region)

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
    const { breaker: name, ratedAmps } = largestOf(worst)
    const { ring } = view.region
    if (ring && worst.each.conductor.gauge === ring.gauge && ratedAmps <= ring.amps)
      return [
        {
          kind: 'undersized' as const,
          of: cable.id,
          severity: 'remark',
          what: say`Cable ${cable.name} is ${ring.gauge} on breaker ${name} of ${figure(ratedAmps)} A: right only in a ring, both its ends on that breaker`,
          cure: say`Power off, both ends at the panel: each conductor continuous from one end to the other. Where it is no ring, a breaker of ${figure(worst.mostAmps)} A.`,
          parts: [],
          factId: 'ring',
        },
      ]
    return [
      {
        kind: 'undersized' as const,
        of: cable.id,
        severity: 'danger',
        what: say`Cable ${cable.name} is ${gaugeWords(say, worst.each.conductor)} on breaker ${name} of ${figure(ratedAmps)} A (at most ${figure(worst.mostAmps)} A)`,
        cure: say`A breaker of ${figure(worst.mostAmps)} A, or the piece replaced.`,
        parts: [say`breaker of ${figure(worst.mostAmps)} A`],
        factId: 'conductor-breaker',
      },
    ]
  })
}

/** A tail carries what its joint carries, however short it is. */
const thinTail: DefectRule = (view, trade) => {
  const say = sayIn(view.region)
  return thinTails(view, trade).map(({ pigtail, gauge, guarded }) => {
    const { breaker, ratedAmps } = largestOf(guarded)
    const { mostAmps, each } = guarded
    const most = mostAmps > 0 ? say`at most ${figure(mostAmps)} A` : say`for no circuit`
    return {
      kind: 'thin-tail' as const,
      of: pigtail.id,
      severity: 'danger',
      what: say`A pigtail from the joint of ${each.name} is ${gauge} on breaker ${breaker} of ${figure(ratedAmps)} A (${most})`,
      cure: say`A new pigtail in ${each.conductor.gauge}.`,
      parts: [say`Pigtail, ${each.conductor.gauge}`],
      factId: 'conductor-breaker',
    }
  })
}

const aluminium: DefectRule = view => {
  const say = sayIn(view.region)
  return view.ends.some(({ conductor }) => conductor.metal === 'aluminium')
    ? [
        {
          kind: 'aluminium' as const,
          severity: 'danger',
          what: say`Aluminum conductors`,
          cure: say`Connectors listed for aluminum, copper pigtails.`,
          parts: [say`Connectors listed for aluminum to copper, one a conductor`, say`Copper pigtails`],
          factId: 'aluminium',
        },
      ]
    : []
}

const bareCopper: DefectRule = view => {
  const say = sayIn(view.region)
  return view.joints
    .filter(joint => joint.bareShows)
    .map(joint => ({
      kind: 'bare' as const,
      of: joint.id,
      severity: 'danger',
      what: say`Bare copper shows outside a joint`,
      cure: say`Make the joint again.`,
      parts: [say`Connector`],
      factId: 'joint',
    }))
}

const tapeOnly: DefectRule = view => {
  const say = sayIn(view.region)
  return view.joints
    .filter(joint => joint.connector === 'tape-only')
    .map(joint => ({
      kind: 'tape' as const,
      of: joint.id,
      severity: 'danger',
      what: say`A joint is held by tape only`,
      cure: say`Make it in a connector.`,
      parts: [say`Connector`],
      factId: 'joint',
    }))
}

const twoUnderOne: DefectRule = (view, trade) => {
  const say = sayIn(view.region)

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
            what: say`${names.join(say` and `)} sit under one screw`,
            cure: say`A pigtail to the screw.`,
            parts: [say`Connector for ${names.length + 1}`, say`Pigtail`],
            factId: 'termination',
          },
        ]
      : []
  })
}

/** Loose is said of a conductor once somebody said that all that can be seen is recorded: before, its seat waits. */
const looseEnd: DefectRule = view => {
  const say = sayIn(view.region)
  return (view.box.recorded ? view.ends : [])
    .filter(({ end }) => end.seat === 'loose')
    .map(({ end, name }) => ({
      kind: 'loose' as const,
      of: end.id,
      severity: 'danger',
      what: say`${name} ends loose in the box`,
      cure: say`Cap it on its own.`,
      parts: [say`Connector as a cap`],
      factId: 'joint',
    }))
}

/** What a conductor in a neutral’s colour is used as where it is none; null where it may be one, or nothing. */
const usedAs = (role: Role, say: Say): string | null =>
  isHotRole(role)
    ? say`hot`
    : role === 'traveller'
      ? say`traveler`
      : isLoadRole(role)
        ? say`switched hot`
        : null

/** A neutral’s colour that brings the switched current back where the region lets it feed one only: no mark cures it. */
const returningNeutral: DefectRule = view => {
  const say = sayIn(view.region)
  return view.ends
    .filter(each => returnsOnNeutral(view, each))
    .map(({ end, name }) => ({
      kind: 'unmarked' as const,
      of: end.id,
      severity: 'defect',
      what: say`${name} brings the switched hot back: in its color it may only feed`,
      toOwner: say`A wire in the color that says “harmless” carries mains voltage here whenever the light is on: whoever opens this box next may take hold of it`,
      cure: say`Exchange it with the one that feeds, here and at its other end; then mark the one that feeds.`,
      parts: [say`Tape in the color of a hot`],
      factId: 'remark',
    }))
}

/** A neutral’s colour that feeds, travels or returns and carries no mark says neutral to the next person. */
const unmarkedHot: DefectRule = (view, trade) => {
  const say = sayIn(view.region)
  return view.ends
    .filter(each => {
      const { end, conductor } = each
      if (returnsOnNeutral(view, each)) return false
      if (hintOf(view.region, conductor) !== 'neutral' || conductor.markedAs !== null) return false
      if (end.role !== null) return usedAs(end.role, say) !== null
      const model = deviceNamed(trade, view.record.devices[end.deviceId ?? '']?.modelId ?? '')
      const terminal = model?.terminals.find(({ id }) => id === end.terminal)
      return terminal !== undefined && terminal.wants !== 'neutral'
    })
    .map(({ end, name }) => ({
      kind: 'unmarked' as const,
      of: end.id,
      severity: 'defect',
      what: say`${name} is used as ${(end.role && usedAs(end.role, say)) ?? say`hot`} and not marked`,
      toOwner: say`A wire in the color that says “harmless” carries mains voltage here, and nothing on it says so: whoever opens this box next may take hold of it`,
      cure: say`Mark it at both ends.`,
      parts: [say`Tape in the color of a hot`],
      factId: 'remark',
    }))
}

const cloth: DefectRule = view => {
  const say = sayIn(view.region)
  return view.cables
    .filter(cable => cable.sheath === 'cloth')
    .map(cable => ({
      kind: 'cloth' as const,
      of: cable.id,
      severity: 'remark',
      what: say`Cable ${cable.name} is cloth covered: its insulation may crumble`,
      cure: say`Sleeve the ends; bend them as little as possible.`,
      parts: [say`Heat-shrink sleeve, one a conductor`],
      factId: 'joint',
    }))
}

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
