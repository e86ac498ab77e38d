import { pointsOf, type Circuit } from '../model/circuit'
import type { OutsideEvent } from '../model/device'
import type { Result } from '../model/result'
import { readIn, type Shown, type Test } from '../read'
import {
  Situations,
  compile,
  describeState,
  solve,
  type Compiled,
  type Light,
  type Solution,
  type StateInWords,
} from '../solve'
import { sayAbout } from '../model/say-for'

/** What a person can do to a circuit that is tried by hand. */
export type Action =
  | { readonly kind: 'do'; readonly device: string; readonly event: OutsideEvent }
  /** Felt everywhere at once: the sun, the air, time going by. */
  | {
      readonly kind: 'everywhere'
      readonly event: 'dusk' | 'dawn' | 'elapsed' | 'presence' | 'vacancy' | 'humid' | 'dry'
    }
  | { readonly kind: 'breaker'; readonly supply: string; readonly to: 'on' | 'off' }
  | { readonly kind: 'back' }
  | { readonly kind: 'start-again' }

/** How a circuit stands after what was done, as plain data. */
export interface Seen {
  readonly state: StateInWords
  /** Volts to neutral at each point; null where it floats. */
  readonly volts: Readonly<Record<string, number | null>>
  readonly lamps: readonly {
    readonly id: string
    readonly groupId: string
    readonly kind: 'lamp' | 'onward' | 'receptacle'
    readonly light: Light
    /** Of nominal voltage. */
    readonly share: number
    /** Why it does what a lamp should not do; null where it is simply lit or dark. */
    readonly why: string | null
  }[]
  readonly devices: readonly {
    readonly id: string
    readonly alive: boolean
    /** Whether its own small light is lit; null where it has none. */
    readonly indicator: boolean | null
    /** What it answers to as it stands now. */
    readonly events: readonly OutsideEvent[]
  }[]
  readonly breakers: readonly { readonly id: string; readonly stands: 'on' | 'off' | 'tripped' }[]
  /** What happened that a person would not expect, in one sentence; null where nothing did. */
  readonly says: string | null
  readonly steps: number
}

interface Moment {
  readonly state: readonly number[]
  readonly off: ReadonlySet<string>
  readonly tripped: ReadonlySet<string>
  readonly says: string | null
  /** Solved for itself: states that are alike for the lamps can still differ along the way. */
  readonly solution: Solution
}

type Before = Omit<Moment, 'solution'>

/** A circuit worked by hand: every action leads to a moment, and one can go back. */
export class Trial {
  readonly #compiled: Compiled
  readonly #points: readonly string[]
  /** One memory of situations for each set of breakers that are off. */
  readonly #situations = new Map<string, Situations>()
  #moments: Moment[]

  constructor(readonly circuit: Circuit) {
    this.#compiled = compile(circuit)
    this.#points = [...pointsOf(circuit)]
    const off = new Set(circuit.supplies.filter(({ breakerOn }) => !breakerOn).map(({ id }) => id))
    const start = { state: Array.from(this.#compiled.initial), off, tripped: new Set<string>(), says: null }
    this.#moments = [this.#settled(start)]
  }

  act(action: Action): Seen {
    const now = this.#now()
    switch (action.kind) {
      case 'back':
        if (this.#moments.length > 1) this.#moments.pop()
        break
      case 'start-again':
        this.#moments = this.#moments.slice(0, 1)
        break
      case 'breaker': {
        const off = new Set(now.off)
        const tripped = new Set(now.tripped)
        tripped.delete(action.supply)
        if (action.to === 'off') off.add(action.supply)
        else off.delete(action.supply)
        this.#come({ ...now, off, tripped })
        break
      }
      case 'do':
        this.#come({ ...now, state: this.#after(now, action.device, action.event) ?? now.state })
        break
      case 'everywhere': {
        let state = now.state
        for (const { id } of this.circuit.devices)
          state = this.#after({ ...now, state }, id, action.event) ?? state
        this.#come({ ...now, state })
        break
      }
    }
    return this.seen()
  }

  seen(): Seen {
    const { state, off, tripped, says, solution } = this.#now()
    const { devices, loads, supplies, nominalVolts } = this.circuit
    return {
      state: describeState(this.#compiled, state),
      volts: Object.fromEntries(
        this.#points.map(point => [point, solution.potentials.volts(this.#compiled.net(point))]),
      ),
      lamps: loads.map(({ id, groupId, kind }, at) => ({
        id,
        groupId,
        kind,
        light: solution.lights[at]!,
        share: solution.loadVolts[at]! / nominalVolts,
        why: this.#whyOdd(id, solution.lights[at]!),
      })),
      devices: devices.map(({ id }, device) => ({
        id,
        alive: solution.alive[device]!,
        indicator: this.#indicator(id),
        events: this.#compiled.devices[device]!.events.filter(
          event => this.#after(this.#now(), id, event) !== null,
        ),
      })),
      breakers: supplies.map(({ id }) => ({
        id,
        stands: tripped.has(id) ? 'tripped' : off.has(id) ? 'off' : 'on',
      })),
      says,
      steps: this.#moments.length - 1,
    }
  }

  /** A tester put to it as it stands. */
  touch(test: Test): Result<Shown> {
    const now = this.#now()
    return readIn(
      {
        circuit: this.circuit,
        compiled: this.#compiled,
        off: dead(now),
        solution: now.solution,
      },
      test,
    )
  }

  #whyOdd(load: string, light: Light): string | null {
    if (light !== 'glows' && light !== 'flickers' && light !== 'over') return null
    const shown = this.touch({ instrument: 'lamp', at: load })
    return shown.ok && shown.value.kind === 'lamp' ? shown.value.says : null
  }

  #indicator(device: string): boolean | null {
    const shown = this.touch({ instrument: 'indicator', at: device })
    return shown.ok && shown.value.kind === 'indicator' ? shown.value.lit : null
  }

  #now(): Moment {
    return this.#moments.at(-1)!
  }

  #come(moment: Before): void {
    this.#moments.push(this.#settled({ ...moment, says: null }))
  }

  /** A hot that is shorted trips its breaker, and with it off the rest is looked at again. */
  #settled(moment: Before): Moment {
    const conditions = { off: dead(moment), neutralsLost: new Set<string>() }
    const solution = solve(this.#compiled, moment.state, conditions)
    const short = solution.shorts.find(({ supplies }) => supplies.length > 0)
    if (!short) return { ...moment, solution }
    const tripped = new Set([...moment.tripped, ...short.supplies])
    const say = sayAbout(this.circuit)
    const words = {
      'hot-neutral': say`hot meets neutral`,
      'hot-ground': say`hot meets ground`,
      'hot-hot': say`two hots meet`,
      'neutral-ground': say`neutral meets ground`,
    }[short.kind]
    const says = say`${short.supplies.join(say` and `)} trips: ${words}.`
    return this.#settled({ ...moment, tripped, says: moment.says ? `${moment.says} ${says}` : says })
  }

  #situationsOf(moment: Before): Situations {
    const off = dead(moment)
    const key = [...off].sort().join()
    let situations = this.#situations.get(key)
    if (!situations) {
      situations = new Situations(this.#compiled, { off, neutralsLost: new Set() })
      this.#situations.set(key, situations)
    }
    return situations
  }

  #after(moment: Before, id: string, event: OutsideEvent): number[] | null {
    const device = this.circuit.devices.findIndex(placed => placed.id === id)
    return device < 0 ? null : this.#situationsOf(moment).after(moment.state, device, event)
  }
}

const dead = ({ off, tripped }: Before): ReadonlySet<string> => new Set([...off, ...tripped])
