import type { Role } from '../model/vocabulary'
import type { Frame } from './frame'
import type { Taken } from './ledger'
import { firstOf, meetings, type Meeting } from './meetings'
import { DEAD, DOUBLE, NOMINAL } from './predict'
import { root } from './metal'
import { NEUTRAL, PASSIVE } from './judge'
import { Completing, WHOLE } from './completing'
import {
  NOWHERE,
  OPEN,
  stands,
  type Bound,
  type Metal,
  type Searched,
  type Side,
  type Supposed,
  type Whole,
} from './supposed'

/**
 * The search for networks beyond the boxes. Each conductor’s far end is on a source (a hot, the neutral) or on none; those
 * on none may meet each other; lamps of the lights and unseen loads hang anywhere. Nothing else is supposed: no list of
 * usual circuits. A network is found where it agrees with all readings but so many as may be false, works each light
 * that was seen to answer, and trips no breaker.
 *
 * What is one metal as found is supposed first to be hot, neutral or undriven as a whole: that alone decides what the
 * switches do and what is read as found. Only then which of its conductors it is driven by.
 */
export function networks(
  frame: Frame,
  legs: number,
  taken: readonly Taken[],
  claims: readonly (Role | null)[] | null,
  bound: Bound,
): Searched {
  return new Search(frame, legs, taken, claims, bound).run()
}

/** Bits of what a watched meter shows. */
const STAYS_DEAD = 1
const STAYS_LIVE = 2

const NO_MEETING: Meeting = []

class Search extends Completing {
  /** What drives each metal as supposed, in every position of the switches. */
  private stood: Int16Array[] = []
  private readonly shines = new Uint8Array(1 << this.frame.switches.length)

  run(): Searched {
    this.drive()
    return {
      found: this.found,
      finished: !this.stopped || this.isSettled,
      unrefuted: (this.claims ?? []).map((role, end) => (this.refuted[end]! > 0 ? null : role)),
      steps: this.steps,
    }
  }

  /** Supposes of each metal what drives it, and goes on where no breaker would trip. */
  private drive(): void {
    const { frame } = this
    const { ends, nodes, switches } = frame
    const parent = this.parent
    parent.set(this.base)
    const byRoot = new Map<number, { ends: number[]; isGround: boolean }>()
    const metalOf = (node: number) => {
      const at = root(parent, node)
      const known = byRoot.get(at) ?? { ends: [], isGround: root(parent, nodes.earth) === at }
      byRoot.set(at, known)
      return known
    }
    for (const { index, ground, other } of ends) {
      const metal = metalOf(index)
      if (!ground && other < 0) metal.ends.push(index)
    }
    for (const { terminals } of switches) terminals.forEach(metalOf)
    metalOf(nodes.earth)
    const terminals = new Set(switches.flatMap(each => each.terminals.map(node => root(parent, node))))
    const metals: Metal[] = [...byRoot]
      .map(([at, { ends: own, isGround }]) => ({
        root: at,
        ends: own,
        isGround,
        lights: switches
          .filter(({ terminals: held }) => held.some(node => root(parent, node) === at))
          .map(({ light }) => light),
      }))
      .sort((a, b) => Number(terminals.has(b.root)) - Number(terminals.has(a.root)))
    const place = new Map(metals.map((each, at) => [each.root, at]))
    const contacts = switches.map(({ closed }) =>
      closed.map(pairs =>
        pairs.map(([a, b]) => [place.get(root(parent, a))!, place.get(root(parent, b))!] as const),
      ),
    )
    const readings = this.asFound.flatMap(({ asked, bit, times }) => {
      if (asked.question.kind !== 'volts') return []
      // A ground may be open on its way: that it reads dead says nothing.
      if (bit === DEAD && [asked.from, asked.to].some(node => ends[node]?.ground)) return []
      const [a, b] = [asked.from, asked.to].map(node => place.get(root(parent, node)))
      return a === undefined || b === undefined ? [] : [{ a, b, bit, times, watched: asked.work >= 0 }]
    })
    this.suppose(
      {
        metals,
        contacts,
        places: switches.flatMap(({ light, terminals }, each) => {
          if (this.frame.survey.lights[light]!.behaves !== 'answers') return []
          const own = new Set(terminals.map(node => place.get(root(parent, node))!))
          const alone = switches.every(
            (other, at) =>
              at === each || other.terminals.every(node => !own.has(place.get(root(parent, node))!)),
          )
          return [{ metals: [...own], alone }]
        }),
        readings,
        drives: new Int16Array(metals.length).fill(OPEN),
        together: new Uint16Array(metals.length),
        by: new Int16Array(metals.length),
      },
      0,
      0,
    )
  }

  private suppose(supposed: Supposed, at: number, hots: number): void {
    if (this.stopped) return
    const { metals, drives } = supposed
    const positions = 1 << this.frame.switches.length
    if (at === metals.length) {
      if (this.step(WHOLE)) this.meet(supposed)
      return
    }
    for (const drive of this.drivesOf(metals[at]!, hots)) {
      if (!this.step()) return
      drives[at] = drive
      let holds = this.mayAnswer(supposed)
      if (drive !== PASSIVE && this.againstDrives(supposed) > this.bound.misread) continue
      if (drive !== PASSIVE)
        for (let position = 0; position < positions && holds; position++) holds = stands(supposed, position)
      if (holds) this.suppose(supposed, at + 1, drive < this.legs ? Math.max(hots, drive + 1) : hots)
    }
    drives[at] = OPEN
  }

  /** Lets conductors of undriven metals meet beyond; where a driven one meets another is looked at later. */
  private meet(supposed: Supposed): void {
    const { frame } = this
    const { metals, drives } = supposed
    const plain = { metals, drives: [...drives] }
    const far = this.somehow(plain)
    const wholeOf = (meeting: Meeting): Whole => {
      const asFound = this.network({ meeting }, far)
      return { ...plain, meeting, lamps: [], asFound, judged: null }
    }
    const base = wholeOf(NO_MEETING)
    if (!this.mayBeRead(base) || !this.mayDrive(base)) return
    const metalOf = new Map(metals.flatMap(({ ends }, metal) => ends.map(end => [end, metal] as const)))
    const isFree = (end: number) => drives[metalOf.get(end) ?? -1] === PASSIVE
    for (const meeting of meetings(frame, this.sounded(), isFree, pairs => this.maySound(pairs))) {
      if (this.stopped) return
      const joined = meeting.map(([a, b]) => [metalOf.get(a)!, metalOf.get(b)!] as const)
      if (!this.step(frame.switches.length) || !this.standsAll(supposed, joined)) continue
      const whole = meeting.length > 0 ? wholeOf(meeting) : base
      if (whole === base || this.mayBeRead(whole)) this.lit(whole)
    }
  }

  /** Works out what drives each metal in every position of the switches; false where a breaker trips. */
  private standsAll(supposed: Supposed, joined: readonly (readonly [number, number])[]): boolean {
    const { metals, together, by } = supposed
    const positions = 1 << this.frame.switches.length
    this.stood = metals.map((_, metal) => this.stood[metal] ?? new Int16Array(positions))
    for (let position = 0; position < positions; position++) {
      if (!stands(supposed, position, joined)) return false
      for (let metal = 0; metal < metals.length; metal++)
        this.stood[metal]![position] = by[root(together, metal)]!
    }
    return true
  }

  private drivesOf(metal: Metal, hots: number): readonly number[] {
    const { ends, isGround } = metal
    if (isGround) return [NEUTRAL]
    if (ends.length === 0 || this.mattersNot(metal)) return [PASSIVE]
    const hot = Array.from({ length: Math.min(hots + 1, this.legs) }, (_, at) => at)
    const { hints } = this.frame.survey
    const white = ends.filter(end => hints[this.frame.ends[end]!.insulation] === 'neutral').length
    return 2 * white > ends.length ? [NEUTRAL, PASSIVE, ...hot] : [...hot, PASSIVE, NEUTRAL]
  }

  /** Whether each switch of a light that answers still makes a difference: not all, nor none, of what it joins is driven. */
  private mayAnswer({ places, drives }: Supposed): boolean {
    for (const { metals, alone } of places) {
      let [driven, passive, open] = [0, 0, 0]
      for (const metal of metals) {
        const drive = drives[metal]!
        if (drive === OPEN) open++
        else if (drive === PASSIVE) passive++
        else driven++
      }
      if (open === 0 && (passive === 0 || (alone && this.isOneBox && driven === 0))) return false
    }
    return true
  }

  /** Whether nothing was read of a metal, no device is on it, and nothing claimed hangs on it. */
  private mattersNot({ root: at, ends }: Metal): boolean {
    if (!this.claims || this.touched.has(at)) return false
    const { frame } = this
    return ends.every(end =>
      frame.cables[frame.ends[end]!.cable]!.ends.every(mate => this.claims![mate] === null),
    )
  }

  /** Readings as found between metals that are driven for themselves, whatever the switches: how many speak against it. */
  private againstDrives({ drives, readings }: Supposed): number {
    let against = 0
    for (const { a, b, bit, times, watched: isWatched } of readings) {
      const [x, y] = [drives[a]!, drives[b]!]
      if (x < 0 || y < 0 || x === PASSIVE || y === PASSIVE) continue
      const [live, two] = [x !== y, x !== NEUTRAL && y !== NEUTRAL]
      const [dead, shows] = isWatched ? [STAYS_DEAD, STAYS_LIVE] : [DEAD, two ? DOUBLE : NOMINAL]
      // Two circuits of one leg show nothing between them.
      const fits = (live && bit === shows) || ((!live || two) && bit === dead)
      if (!fits) against += times
    }
    return against
  }

  /** Gives each light that was seen to answer a lamp that does. */
  private lit(whole: Whole): void {
    const sides: Side[] = [{ out: NEUTRAL }]
    for (let leg = 0; leg < this.legs; leg++)
      if (leg === 0 || whole.drives.includes(leg)) sides.push({ out: leg })
    // On a driven metal a lamp hangs by a conductor that is not what drives it.
    whole.metals.forEach(({ ends, isGround }, metal) => {
      if (ends.length > (whole.drives[metal] === PASSIVE || isGround ? 0 : 1)) sides.push({ metal })
    })
    const hangings: Whole['lamps'][] = []
    for (let light = 0; light < this.frame.survey.lights.length; light++) {
      if (!this.step(sides.length)) return
      const own = this.hangingsOf(whole, light, sides)
      if (own.length === 0) return
      hangings.push(own)
    }
    this.choose(whole, hangings, [])
  }

  /** Where the lamp of a light may hang. */
  private hangingsOf({ metals }: Whole, light: number, sides: readonly Side[]): Whole['lamps'] {
    // A lamp that was not seen lit may hang on its own switch, or on nothing that leads here; what else may be is a load.
    if (this.frame.survey.lights[light]!.behaves !== 'answers') {
      const own = sides.filter(side => 'metal' in side && metals[side.metal]!.lights.includes(light))
      const overs = this.heldTo[light] ? [NOWHERE, ...sides] : [NOWHERE, ...own]
      return overs.flatMap(over =>
        (own.includes(over) ? [over, ...sides.filter(side => side !== over)] : [over]).map(
          back => [over, back] as const,
        ),
      )
    }
    // Which of its sides is the hot contact makes a difference only to what is held to that.
    return sides.flatMap((over, at) =>
      (this.heldTo[light] ? sides : sides.slice(at + 1)).flatMap(back =>
        over !== back && this.works(light, over, back) ? [[over, back] as const] : [],
      ),
    )
  }

  private choose(whole: Whole, hangings: readonly Whole['lamps'][], lamps: Whole['lamps']): void {
    const own = hangings[lamps.length]
    if (!own) return this.asRead({ ...whole, lamps })
    for (const hanging of own) {
      if (!this.step()) return
      this.choose(whole, hangings, [...lamps, hanging])
    }
  }

  /** Whether a lamp between two sides is worked by each place of its light and by no other. */
  private works(light: number, over: Side, back: Side): boolean {
    const { switches } = this.frame
    for (let position = 0; position < this.shines.length; position++) {
      const a = 'out' in over ? over.out : this.stood[over.metal]![position]!
      const b = 'out' in back ? back.out : this.stood[back.metal]![position]!
      const shines = Number(a !== PASSIVE && b !== PASSIVE && a !== b)
      this.shines[position] = shines
      for (let place = 0; place < switches.length; place++)
        if (
          (position >> place) & 1 &&
          (shines !== this.shines[position ^ (1 << place)]) !== (switches[place]!.light === light)
        )
          return false
    }
    return true
  }

  /** Holds the readings against it that were taken as found: which conductor drives a metal makes no difference there. */
  private asRead(whole: Whole): void {
    const judged = this.judgeAsFound(whole)
    if (!judged) return
    const read: Whole = { ...whole, judged }
    if (!this.mayDrive(read) || !this.complete(read, null, PASSIVE) || !this.claims) return
    const plain = this.completed
    const { cables, ends, nodes } = this.frame
    for (const { index, other, ground, cable } of ends) {
      if (ground || other >= 0) continue
      const first = firstOf(whole.meeting, index)
      const drive = whole.drives[whole.metals.findIndex(({ ends: own }) => own.includes(first))]!
      if (drive >= this.legs) continue
      // Whether a hot comes in by it or goes on decides its role, and what its cable takes back.
      for (const value of [PASSIVE, drive]) {
        if (this.stopped) return
        const isHot = value !== PASSIVE
        if (plain.every(({ beyond }) => (beyond[first] === nodes.hot[drive]) === isHot)) continue
        if (cables[cable]!.ends.some(mate => this.claims![mate] !== null)) this.complete(read, first, value)
      }
    }
  }
}
