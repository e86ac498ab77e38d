import type { Survey, SurveyCable, SurveyDevice, SurveyEnd, SurveyLight, SurveySeat } from '@/core/identify'
import type { Circuit } from '@/core/model/circuit'
import { regionOf } from '@/core/model/regions'
import type { FarEnd, Role } from '@/core/model/vocabulary'
import { read } from '@/core/read'
import { GrownHouse } from './house'
import type { Cable, Mistake, Place } from './parts'
import { Lot } from './lot'
import { rolesOf } from './truth'

/** How much was recorded: all that can be known without a meter, half of it, or only what meets the eye in the box. */
export type Told = 'told' | 'half' | 'bare'

/** A few boxes of a house, as somebody recorded them, and what only the house knows. */
export interface Cut {
  readonly name: string
  readonly told: Told
  readonly mistake: Mistake
  readonly survey: Survey
  /** Lights that every place of theirs works, as anybody sees who tries. */
  readonly answering: ReadonlySet<string>
  readonly circuit: Circuit
  readonly boxOfJoint: ReadonlyMap<string, string>
  readonly state: Readonly<Record<string, Readonly<Record<string, string>>>>
  readonly roles: ReadonlyMap<string, Role>
}

const MOST_BOXES = 5
const MOST_DEVICES = 8
const MOST_INSULATED = 26

/**
 * Boxes of the house that grows from a seed; null where it has none that can be looked at.
 * @param through some joints of two conductors are none: one conductor that runs through, which nobody can part or
 * read
 */
export function cutOf(
  seed: number,
  mistake: Mistake,
  most = MOST_BOXES,
  through: 'none' | 'told' | 'untold' = 'none',
): Cut | null {
  const house = new GrownHouse(seed, mistake)
  if (house.made !== mistake) return null
  const lot = new Lot(seed + 77_777)
  const switches = [...house.places.values()].filter(({ kind, gangs }) => kind === 'switches' && gangs > 0)
  if (switches.length === 0) return null
  const looked = hangingTogether(house, [lot.one(switches)])
  while (looked.length < most && lot.chance(0.35)) {
    const next = lot.one(switches)
    const more = hangingTogether(house, [...looked, next])
    if (more.length > most) break
    looked.splice(0, looked.length, ...more)
  }
  if (looked.length > most) return null
  const boxes = new Set(looked.map(({ id }) => id))
  const devices = house.devices.filter(({ place }) => boxes.has(place))
  const told = lot.one(['told', 'half', 'bare'] as const)
  const known = (share: number) => told === 'told' || (told === 'half' && lot.chance(share))
  const grown = house.circuit()
  const unbroken = new Set(
    through === 'none' ? [] : twoEndJoints(grown, boxes).filter((_, at) => at === 0 || lot.chance(0.5)),
  )
  if (through !== 'none' && unbroken.size === 0) return null
  const hidden = new Set(
    grown.joints.flatMap(({ id, members }) =>
      through === 'told' && unbroken.has(id) ? members.map(member => member.slice('end:'.length)) : [],
    ),
  )
  // Of no box: nothing parts them.
  const circuit = {
    ...grown,
    joints: grown.joints.map(joint =>
      unbroken.has(joint.id) ? { ...joint, id: `through/${joint.id}` } : joint,
    ),
  }
  const seats = seatsOf(
    looked,
    devices.map(({ id }) => id),
  )
  const cables = looked.flatMap(box =>
    lot.shuffled(house.cables.flatMap(cable => sidesIn(cable, box))).map(side => ({ box, ...side })),
  )
  const followed = new Set(
    house.cables.filter(({ from, to }) => boxes.has(from) && boxes.has(to) && known(0.5)).map(({ id }) => id),
  )
  const insulated = cables.flatMap(({ cable }) => cable.strands.filter(({ bare }) => !bare))
  if (insulated.length > MOST_INSULATED || devices.length > MOST_DEVICES) return null
  const colours = lot.chance(0.25)
  const lights = [...new Set(devices.map(({ light }) => light))]
  const answering = new Set(lights.filter(id => answersFromAll(house, circuit, id)))
  const survey: Survey = {
    nominalVolts: 120,
    nominalBand: regionOf('north-america-120').nominalBand,
    hints: regionOf('north-america-120').hints,
    boxes: looked.map(({ id }) => ({ id, name: id })),
    cables: cables.map(({ box, cable, side, other }, number): SurveyCable => ({
      id: `${cable.id} in ${box.id}`,
      boxId: box.id,
      name: `${number}`,
      far: known(0.6) ? farOf(house.places.get(other)!, boxes) : 'not-known',
      ends: lot
        .shuffled(cable.strands.filter(({ id }) => !hidden.has(`${id}/${side}`)))
        .map((strand): SurveyEnd => ({
          id: `${strand.id}/${side}`,
          name: `${strand.id}/${side}`,
          insulation:
            strand.bare || !colours ? strand.insulation : lot.one(['black', 'red', 'white', 'white', 'blue']),
          faded: false,
          ground: strand.bare,
          seat: seats.get(`end:${strand.id}/${side}`)?.seat ?? { kind: 'alone' },
          otherEnd:
            followed.has(cable.id) && !hidden.has(`${strand.id}/${side === 'a' ? 'b' : 'a'}`)
              ? `${strand.id}/${side === 'a' ? 'b' : 'a'}`
              : null,
        })),
    })),
    devices: devices.map(({ id, place, light, model }): SurveyDevice => ({
      id,
      name: id,
      boxId: place,
      lightId: light,
      model,
      pigtails: [...seats].flatMap(([point, { seat }]) =>
        point.startsWith(`${id}.`) && seat.kind === 'joint'
          ? [{ jointId: seat.jointId, terminalId: point.slice(id.length + 1) }]
          : [],
      ),
    })),
    lights: lights.map((id): SurveyLight => ({
      id,
      name: id,
      cablesAtMost: told === 'bare' ? 1 : house.loads.filter(({ groupId }) => groupId === id).length,
      behaves: (known(0.6) || lot.chance(0.5)) && answering.has(id) ? 'answers' : 'not-known',
    })),
    circuitsAtMost: told === 'bare' ? 1 : Math.min(3, Math.max(1, circuitsIn(looked).size)),
  }
  return {
    name: `seed ${seed}, ${looked.length} of ${house.places.size} places, ${told}${mistake === 'none' ? '' : `, ${mistake}`}`,
    told,
    mistake,
    survey,
    answering,
    circuit,
    boxOfJoint: new Map(
      circuit.joints.flatMap(({ id }) => {
        const place = id.slice(0, id.indexOf('/'))
        return boxes.has(place) ? [[id, place] as const] : []
      }),
    ),
    state: house.state,
    roles: rolesOf(house, circuit, boxes),
  }
}

/** Joints of some boxes that hold two insulated conductors and nothing else. */
const twoEndJoints = ({ joints }: Circuit, boxes: ReadonlySet<string>): string[] =>
  joints
    .filter(({ id }) => boxes.has(id.slice(0, id.indexOf('/'))))
    .filter(({ members }) => members.length === 2 && members.every(member => member.startsWith('end:')))
    .filter(({ id }) => !id.endsWith('/ground'))
    .map(({ id }) => id)

/** With every box that has another place of a light of theirs. */
function hangingTogether(house: GrownHouse, boxes: readonly Place[]): Place[] {
  const all = new Set(boxes.map(({ id }) => id))
  for (let before = 0; before !== all.size;) {
    before = all.size
    const lights = new Set(house.devices.filter(({ place }) => all.has(place)).map(({ light }) => light))
    for (const { light, place } of house.devices) if (lights.has(light)) all.add(place)
  }
  return [...all].map(id => house.places.get(id)!)
}

const sidesIn = (cable: Cable, box: Place) => [
  ...(cable.from === box.id ? [{ cable, side: 'a' as const, other: cable.to }] : []),
  ...(cable.to === box.id ? [{ cable, side: 'b' as const, other: cable.from }] : []),
]

function farOf(other: Place, looked: ReadonlySet<string>): FarEnd {
  if (other.kind === 'panel') return 'panel'
  if (other.kind === 'luminaire') return 'luminaire'
  return looked.has(other.id) ? 'box' : 'elsewhere'
}

/** Where each conductor end and terminal of some boxes is. */
function seatsOf(boxes: readonly Place[], devices: readonly string[]) {
  const seats = new Map<string, { seat: SurveySeat }>()
  for (const { id, nets } of boxes)
    for (const [net, members] of nets) {
      const terminals = members.filter(each => devices.some(device => each.startsWith(`${device}.`)))
      const ends = members.filter(each => each.startsWith('end:'))
      if (members.length < 2) continue
      if (ends.length === 1 && terminals.length === 1) {
        const [deviceId, terminalId] = terminals[0]!.split('.') as [string, string]
        seats.set(ends[0]!, { seat: { kind: 'terminal', deviceId, terminalId } })
        continue
      }
      for (const member of members) seats.set(member, { seat: { kind: 'joint', jointId: `${id}/${net}` } })
    }
  return seats
}

const circuitsIn = (boxes: readonly Place[]) => new Set(boxes.flatMap(({ feeds }) => feeds))

/** Whether every place of a light changes it, whatever the others stand at. */
function answersFromAll(house: GrownHouse, circuit: Circuit, light: string): boolean {
  const places = house.devices.filter(each => each.light === light)
  const lamps = house.loads.filter(({ groupId }) => groupId === light)
  const lit = (positions: number) =>
    lamps.some(({ id }) => {
      const state = { ...house.state }
      places.forEach(({ id: device, model }, at) => {
        const [variable] = model.variables
        state[device] = { [variable!.id]: variable!.values[(positions >> at) & 1]! }
      })
      const shown = read(circuit, { state, off: [], opened: [], lifted: [] }, { instrument: 'lamp', at: id })
      return shown.ok && shown.value.kind === 'lamp' && shown.value.light !== 'dark'
    })
  const all = Array.from({ length: 1 << places.length }, (_, positions) => lit(positions))
  return all.every((here, positions) => places.every((_, at) => all[positions ^ (1 << at)] !== here))
}
