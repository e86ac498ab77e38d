import type { BoxView, EndView } from '../job/box-view'
import { readingsInNoDoubt } from '../job/power-said'
import { basisOf } from './basis'
import { answerOfVolts } from './question'
import { isHotRole, SIDE_OF, type Side } from '../model/roles'
import type { Finding, Reading } from '../model/entities'
import { rowsWith } from '../model/record'
import { looksLikeGround } from '../model/regions'
import type { Proof, Role } from '../model/vocabulary'
import { sayIn } from '../words/say'

export type Bearing = 'supports' | 'contradicts' | 'says-nothing'

export interface ClaimStatus {
  readonly role: Role | null
  readonly proof: Proof
  readonly supporting: readonly Reading[]
  readonly contradicting: readonly Reading[]
  /** The reading that would settle it, in words; null once it is proven. */
  readonly settledBy: string | null
}

/**
 * How far a role is borne out: as far as was found by all readings of the boxes that hang together, however they were
 * taken. A role that somebody says is no more than indicated until that was found; one reading that speaks against it
 * makes it contradicted, and so does another role that was proven.
 */
export function claimStatus(view: BoxView, subject: EndView): ClaimStatus {
  let known = statuses.get(view)
  if (!known) statuses.set(view, (known = new WeakMap()))
  let status = known.get(subject)
  if (!status) known.set(subject, (status = weighed(view, subject)))
  return status
}

/** A view and its ends never change, so a claim is weighed once. */
const statuses = new WeakMap<BoxView, WeakMap<EndView, ClaimStatus>>()

function weighed(view: BoxView, subject: EndView): ClaimStatus {
  const { role } = subject.end
  if (role === null)
    return { role, proof: 'assumed', supporting: [], contradicting: [], settledBy: settling(view, subject) }
  const found = findingOf(view, subject)
  if (found && (found.role === role || found.proof === 'proven')) {
    const proof = found.role === role ? found.proof : 'contradicted'
    return {
      role,
      proof,
      supporting: [],
      contradicting: [],
      settledBy: proof === 'proven' ? null : settling(view, subject),
    }
  }
  const net = netMates(view, subject)
  const bearing = readingsInNoDoubt(view)
    .filter(({ purpose, workedDeviceId }) => purpose === 'identify' && workedDeviceId === null)
    .map(reading => ({ reading, says: bears(view, net, role, reading) }))
  const contradicting = bearing.filter(each => each.says === 'contradicts').map(each => each.reading)
  const supporting = bearing.filter(each => each.says === 'supports').map(each => each.reading)
  const proof: Proof =
    contradicting.length > 0 ? 'contradicted' : supporting.length === 0 ? 'assumed' : 'indicated'
  return {
    role,
    proof,
    supporting,
    contradicting,
    settledBy: settling(view, subject),
  }
}

/** What was found of this conductor, as long as nothing it rests on has changed. */
function findingOf(view: BoxView, { end }: EndView): Finding | null {
  const finding = rowsWith(view.record, 'findings', 'endId', end.id)[0]
  return finding?.basis === basisOf(view.record, view.box.id) ? finding : null
}

/** Ends that are one piece of metal with this one here: its own joint. */
function netMates(view: BoxView, { end }: EndView): ReadonlySet<string> {
  if (end.jointId === null) return new Set([end.id])
  return new Set(
    view.ends
      .filter(other => other.end.jointId === end.jointId && other.end.role === end.role)
      .map(other => other.end.id),
  )
}

const isGroundColoured = (view: BoxView, { conductor }: EndView) => looksLikeGround(view.region, conductor)

/** A bare or green conductor seen where the sheath ends is a fact of construction. */
const groundAccountedFor = (view: BoxView): boolean =>
  view.ends.some(
    other => other.end.role === 'ground' && other.end.seenAtSheath && isGroundColoured(view, other),
  )

/** What one reading says of one role at one net. */
export function bears(view: BoxView, net: ReadonlySet<string>, role: Role, reading: Reading): Bearing {
  const from = reading.fromEndId !== null && net.has(reading.fromEndId)
  const to = reading.toEndId !== null && net.has(reading.toEndId)
  if (from === to) return 'says-nothing'
  if (reading.instrument !== 'low-impedance-meter' && reading.instrument !== 'high-impedance-meter')
    return 'says-nothing'
  const other = from ? reading.toEndId : reading.fromEndId
  const partner = other === null ? 'ground' : sideOfEnd(view, other)
  const shown = answerOfVolts(reading.value, view.region)
  const [nominal, dead] = [shown === 'nominal', shown === 'dead']
  if (!nominal && !dead) return 'says-nothing'
  if (reading.breaker === 'off') return nominal ? 'contradicts' : 'says-nothing'
  const returns = partner === 'neutral' || partner === 'ground'
  // Apart from its joint, what goes on from here is fed by nothing.
  const isOff = reading.offDeviceId !== null
  const apart = reading.switchPosition === 'separated' || isOff
  if (apart && dead && (role === 'onward-feed' || role === 'neutral')) return 'says-nothing'
  if (apart && nominal && role === 'neutral' && partner !== 'hot') return 'says-nothing'
  switch (SIDE_OF[role]) {
    case 'hot':
      return returns ? (nominal ? 'supports' : 'contradicts') : 'says-nothing'
    case 'load':
      if (!returns || isOff || reading.switchPosition === 'not-known') return 'says-nothing'
      return (reading.switchPosition === 'on') === nominal ? 'supports' : 'contradicts'
    case 'neutral':
      if (partner === 'hot') return nominal ? 'supports' : 'contradicts'
      return partner === 'ground' && nominal ? 'contradicts' : 'says-nothing'
    case 'ground':
      if (partner === 'hot') return nominal ? 'supports' : 'contradicts'
      return 'says-nothing'
    case 'apart':
      return returns ? (dead ? 'supports' : 'contradicts') : 'says-nothing'
    case null:
      return 'says-nothing'
  }
}

function sideOfEnd(view: BoxView, endId: string): Side {
  const role = view.ends.find(each => each.end.id === endId)?.end.role ?? null
  return role === null ? null : SIDE_OF[role]
}

/** The next reading worth taking for this conductor, in one sentence. */
function settling(view: BoxView, subject: EndView): string {
  const say = sayIn(view.region)

  const { role } = subject.end
  const named = (wanted: (role: Role | null) => boolean, words: string) => {
    const found = view.ends.find(other => other.end.id !== subject.end.id && wanted(other.end.role))
    return found ? `${found.name} (${words})` : say`the ${words}`
  }
  const toReturn = named(each => each === 'ground', say`ground`)
  const toHot = named(isHotRole, 'line')
  switch (role === null ? null : SIDE_OF[role]) {
    case 'hot':
      return say`Low-impedance meter, breaker on: ${subject.name} to ${toReturn}; nominal bears it out.`
    case 'load':
      return say`Low-impedance meter, breaker on: ${subject.name} to ${toReturn}, switch off reads 0, switch on reads nominal.`
    case 'neutral':
      return groundAccountedFor(view)
        ? say`Low-impedance meter, breaker on, joint closed: ${subject.name} to ${toHot}; nominal bears it out.`
        : say`Low-impedance meter, breaker on, joint closed: ${subject.name} to ${toHot}; and record the ground as seen at its sheath.`
    case 'ground':
      return say`Low-impedance meter, breaker on: ${toHot} to ${subject.name}; nominal shows that the ground is continuous.`
    default:
      return say`Say what ${subject.name} is taken for, then read it to a known ground.`
  }
}
