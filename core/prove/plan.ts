import { terminalPoint } from '../model/circuit'
import { symmetriesOf } from '../model/symmetries'
import type { Compiled } from '../solve'
import { finding, nameOf, type Finding } from './finding'
import { sayAbout } from '../model/say-for'
import { type Say } from '../words/say'

/**
 * What is joined, held against the plan: the same nets up to the symmetry of each device. Conductor ends,
 * loads and the panel are fixed points; they say which net of the plan each real net is, and each device
 * then lands on them in any way its contacts cannot tell apart.
 */
export function unlikePlan(compiled: Compiled): Finding[] {
  const say = sayAbout(compiled.circuit)
  const { plan, devices } = compiled.circuit
  if (!plan) return []
  const found: Finding[] = []
  const match = new Matching()
  const ofDevices = new Set(
    devices.flatMap(({ id, model }) => model.terminals.map(terminal => terminalPoint(id, terminal.id))),
  )
  for (const [point, name] of Object.entries(plan))
    if (!ofDevices.has(point)) {
      const wrong = match.take(name, compiled.net(point), point, say)
      if (wrong) found.push(wrong)
    }
  devices.forEach((placed, device) => {
    const terminals = placed.model.terminals.filter(
      terminal => plan[terminalPoint(placed.id, terminal.id)] !== undefined,
    )
    let best: { match: Matching; wrong: Finding[] } | null = null
    for (const symmetry of symmetriesOf(placed.model)) {
      const trial = match.copy()
      const wrong = terminals.flatMap(({ id }) => {
        const point = terminalPoint(placed.id, symmetry.get(id) ?? id)
        return trial.take(plan[terminalPoint(placed.id, id)]!, compiled.net(point), point, say) ?? []
      })
      if (!best || wrong.length < best.wrong.length) best = { match: trial, wrong }
      if (best.wrong.length === 0) break
    }
    if (!best) return
    match.become(best.match)
    found.push(...best.wrong.map(each => ({ ...each, says: `${nameOf(compiled, device)}: ${each.says}` })))
  })
  return found
}

/** Which net of the plan each real net is, one to one. */
class Matching {
  #netOf = new Map<string, number>()
  #nameOf = new Map<number, string>()

  /** Pairs a name and a net, or says why they cannot be paired. */
  take(name: string, net: number, point: string, say: Say): Finding | null {
    const netThere = this.#netOf.get(name)
    const nameThere = this.#nameOf.get(net)
    if (nameThere !== undefined && nameThere !== name)
      return finding('the-plan', [point], say`${point} belongs to ${name} and is joined to ${nameThere}`)
    if (netThere !== undefined && netThere !== net)
      return finding('the-plan', [point], say`${point} belongs to ${name} and is not joined to it`)
    this.#netOf.set(name, net)
    this.#nameOf.set(net, name)
    return null
  }

  copy(): Matching {
    const copy = new Matching()
    copy.become(this)
    return copy
  }

  become(other: Matching): void {
    this.#netOf = new Map(other.#netOf)
    this.#nameOf = new Map(other.#nameOf)
  }
}
