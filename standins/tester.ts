import { answerOfVolts, answerOfWatched, type Answer, type Question, type Spot } from '@/core/identify'
import type { Circuit } from '@/core/model/circuit'
import { WIRE_OHMS } from '@/core/model/limits'
import { fault, good, refused, type Result } from '@/core/model/result'
import { read, type Shown, type Stand, type Test } from '@/core/read'
import type { StateInWords } from '@/core/solve'

/** Which box each joint of a circuit is in: what comes apart when the conductors of a box are separated. */
export type BoxOfJoint = ReadonlyMap<string, string>

/**
 * A tester held to a circuit that only it knows: it answers questions as the instrument would, and works the
 * switches it is told to. Where the circuit is a box’s, the whole stage can be tried without a wall.
 */
export class SimulatedTester {
  #state: StateInWords

  constructor(
    readonly circuit: Circuit,
    readonly boxOfJoint: BoxOfJoint,
    readonly nominalBand: readonly [number, number],
    state: StateInWords = {},
  ) {
    this.#state = state
  }

  /** How the switches stand. */
  get state(): StateInWords {
    return this.#state
  }

  /** Refused where the circuit has no such point or device, or where the test would be a hazard. */
  answer(question: Question): Result<Answer> {
    const { kind, work } = question
    if (kind === 'light') return this.#watchLight(question)
    const before = this.#held(question)
    if (!before.ok) return before
    if (kind === 'continuity')
      return before.value.kind === 'ohms' ? good(soundOf(before.value)) : unusable(before.value)
    if (before.value.kind !== 'volts') return unusable(before.value)
    const { nominalVolts } = this.circuit
    const { nominalBand } = this
    if (work === null) return good(answerOfVolts(before.value.volts, { nominalVolts, nominalBand }))
    const worked = this.work(work)
    if (!worked.ok) return worked
    const after = this.#held(question)
    if (!after.ok) return after
    if (after.value.kind !== 'volts') return unusable(after.value)
    return good(answerOfWatched(before.value.volts, after.value.volts))
  }

  /**
   * Current round the conductor of an end, in amperes, to two decimals: switches are worked until the light is on
   * that its current serves, as one would. Refused where there is no such end.
   */
  clamp(endId: string): Result<number> {
    const worked = this.circuit.devices.map(({ id }) => id)
    let most: { amps: number; state: StateInWords } | null = null
    for (const deviceId of [null, ...worked]) {
      if (deviceId !== null) this.work(deviceId)
      const shown = read(
        this.circuit,
        { state: this.#state, off: [], opened: [], lifted: [] },
        { instrument: 'clamp', at: `end:${endId}` },
      )
      if (!shown.ok) return shown
      if (shown.value.kind !== 'amps') return unusable(shown.value)
      const amps = Math.round(shown.value.amps * 100) / 100
      if (!most || amps > most.amps) most = { amps, state: this.#state }
    }
    this.#state = most!.state
    return good(most!.amps)
  }

  /**
   * Continuity from an end to ground, everything off, with the neutral of its circuit lifted at the panel. Refused
   * where there is no such end.
   */
  lift(endId: string): Result<'silent' | 'sounds'> {
    const { supplies, joints } = this.circuit
    const held = new Set(joints.flatMap(({ members }) => members))
    const shown = read(
      this.circuit,
      {
        state: this.#state,
        off: supplies.map(({ id }) => id),
        opened: [],
        lifted: [...new Set(supplies.map(({ neutral }) => neutral))].filter(point => held.has(point)),
      },
      { instrument: 'continuity', from: `end:${endId}`, to: supplies[0]!.ground },
    )
    if (!shown.ok) return shown
    return shown.value.kind === 'ohms'
      ? good(shown.value.sounds ? 'sounds' : 'silent')
      : unusable(shown.value)
  }

  /** Moves a switch by hand, as one would to see what it does. */
  work(deviceId: string): Result<null> {
    const device = this.circuit.devices.find(({ id }) => id === deviceId)
    if (!device) return refused(fault('/work', 'no-such-device', `there is no device ${deviceId}`))
    const now = { ...initialOf(device.model.variables), ...this.#state[deviceId] }
    const moves = device.model.control.find(
      ({ event, from }) =>
        (event === 'toggle' || event === 'press') &&
        Object.entries(from).every(([variable, value]) => now[variable] === value),
    )
    if (!moves)
      return refused(fault('/work', 'moves-nothing', `nothing on ${deviceId} can be worked by hand`))
    this.#state = { ...this.#state, [deviceId]: { ...now, ...moves.to } }
    return good(null)
  }

  #held({ kind, from, to, power, apart, lampsOut, off }: Question): Result<Shown> {
    const spot = [from, to].find(each => each.kind === 'lamp-holder')
    const light = lampsOut ?? (spot?.kind === 'lamp-holder' ? spot.light : undefined)
    const lit = off === undefined ? this.circuit : withoutDevice(this.circuit, off)
    const circuit = light === undefined ? lit : withoutLamps(lit, light)
    const { [off ?? '']: _, ...others } = this.#state
    const stand: Stand = {
      state: others,
      off: power === 'off' ? circuit.supplies.map(({ id }) => id) : [],
      opened: circuit.joints.flatMap(({ id }) => {
        const box = this.boxOfJoint.get(id)
        return box !== undefined && apart.includes(box) ? [id] : []
      }),
      lifted: [],
    }
    const instrument = kind === 'continuity' ? 'continuity' : 'low-impedance-meter'
    const shown: Result<Shown>[] = []
    for (const a of this.#points(from))
      for (const b of this.#points(to))
        shown.push(read(circuit, stand, { instrument, from: a, to: b } as Test))
    const sounding = shown.find(each => each.ok && each.value.kind === 'ohms' && each.value.sounds)
    return (
      sounding ??
      shown[0] ??
      refused(fault('/question', 'no-such-point', 'there is nothing to hold the instrument to'))
    )
  }

  #points(spot: Spot): readonly string[] {
    const { supplies, loads } = this.circuit
    switch (spot.kind) {
      case 'end':
        return [`end:${spot.end}`]
      case 'earth':
        return supplies.slice(0, 1).map(({ ground }) => ground)
      case 'panel-hot':
        return supplies.map(({ hot }) => hot)
      case 'lamp-holder':
        return loads.filter(({ groupId }) => groupId === spot.light).map(({ hot }) => hot)
    }
  }

  #watchLight({ from, work }: Question): Result<Answer> {
    if (from.kind !== 'lamp-holder' || work === null)
      return refused(fault('/question', 'nothing-to-watch', 'a light is watched while a switch is worked'))
    const before = this.#shines(from.light)
    const worked = this.work(work)
    if (!worked.ok) return worked
    const after = this.#shines(from.light)
    return good(before !== after ? 'light-changes' : before ? 'stays-lit' : 'stays-dark')
  }

  #shines(light: string): boolean {
    const stand: Stand = { state: this.#state, off: [], opened: [], lifted: [] }
    return this.circuit.loads
      .filter(({ groupId }) => groupId === light)
      .some(({ id }) => {
        const shown = read(this.circuit, stand, { instrument: 'lamp', at: id })
        return shown.ok && shown.value.kind === 'lamp' && shown.value.light !== 'dark'
      })
  }
}

const initialOf = (variables: readonly { id: string; initial: string }[]) =>
  Object.fromEntries(variables.map(({ id, initial }) => [id, initial]))

const unusable = (shown: Shown) =>
  refused(
    fault(
      '/question',
      'unusable',
      shown.kind === 'refused' ? shown.hazard : 'the instrument shows nothing of the kind',
    ),
  )

/** A device off its wires: each conductor that was on it hangs by itself; joints of conductors stay. */
function withoutDevice(circuit: Circuit, deviceId: string): Circuit {
  const isOn = (point: string) => point.startsWith(`${deviceId}.`)
  return {
    ...circuit,
    devices: circuit.devices.filter(({ id }) => id !== deviceId),
    joints: circuit.joints.map(joint => ({
      ...joint,
      members: joint.members.filter(member => !isOn(member)),
    })),
  }
}

/** A lamp taken out leaves its contacts. */
const withoutLamps = (circuit: Circuit, light: string): Circuit => ({
  ...circuit,
  loads: circuit.loads.map(load =>
    load.groupId === light && load.kind === 'lamp' ? { ...load, kind: 'receptacle', watts: 0 } : load,
  ),
})

const soundOf = ({ ohms, sounds }: { readonly ohms: number | null; readonly sounds: boolean }): Answer =>
  ohms !== null && ohms <= WIRE_OHMS ? 'wire' : sounds ? 'sounds' : 'silent'
