import { GANGS, HouseParts, IN_ONE_CABLE, type Mistake, type Place, type Shape } from './parts'

/**
 * A whole house, put together cable by cable as electricians did over the years: nobody’s list of what there may be
 * in a box, only places, cables between them, and what was wanted at each.
 */
export class GrownHouse extends HouseParts {
  constructor(seed: number, mistake: Mistake = 'none') {
    super(seed, mistake)
    this.supplies()
    const wishes = 2 + this.lot.below(5)
    for (let wish = 0; wish < wishes; wish++) this.grow()
    for (const { id, model } of this.devices)
      this.state[id] = Object.fromEntries(model.variables.map(each => [each.id, this.lot.one(each.values)]))
  }

  private supplies() {
    const panel = this.place('panel')
    const count = this.lot.weighed([
      [1, 5],
      [2, 4],
      [3, 1],
    ])
    const shared = count > 1 && this.lot.chance(0.45)
    for (let at = 0; at < count; at++) {
      const id = 'abc'[at]!
      const together = shared && at < 2
      this.circuits.push({
        id,
        neutral: together ? 'neutral ab' : `neutral ${id}`,
        phaseDegrees: at === 1 ? (together || this.lot.chance(0.5) ? 180 : 0) : 0,
      })
      this.join(panel, `hot ${id}`, `${id}:h`)
      this.join(panel, 'neutrals', `${id}:n`)
    }
    this.join(panel, 'ground', 'ground')
    const groups = shared
      ? [['a', 'b'], ...this.circuits.slice(2).map(({ id }) => [id])]
      : this.circuits.map(({ id }) => [id])
    for (const group of groups) {
      const first = this.place(this.lot.one(['switches', 'luminaire', 'junction', 'switches']))
      this.carry(panel, first, group)
    }
  }

  private grow() {
    const wish = this.lot.weighed<() => void>([
      [() => this.switchedFromItsBox(), 6],
      [() => this.switchedByLoop(), 4],
      [() => this.fromSeveralPlaces(), 4],
      [() => this.goesOn(), 2],
      [() => this.passesThrough(), 1.5],
      [() => this.leftOver(), 0.8],
      [() => this.oldTwoSupplies(), 0.3],
    ])
    wish()
  }

  /** The feed comes to the switch, and its conductor goes on to the light. */
  private switchedFromItsBox() {
    const [box, circuit] = this.fedBox()
    const light = this.light()
    const [hot, neutral, switched] = [`hot ${circuit}`, this.neutralOf(circuit), `switched ${light}`]
    const fixture = this.place('luminaire')
    if (this.errs('switched-neutral', true)) {
      this.device(box, light, 'old-switch', { upper: neutral, lower: switched })
      this.cable(box, fixture, [
        [hot, 'hot'],
        [switched, 'back'],
      ])
      this.load(fixture, light, 'lamp', 'hot', 'back')
      return
    }
    const modelId = this.lot.weighed([
      ['old-switch', 6],
      ['old-dimmer', 1],
    ])
    const [first, second] = modelId === 'old-dimmer' ? ['line', 'load'] : ['upper', 'lower']
    this.device(box, light, modelId, { [first!]: hot, [second!]: switched })
    const other = this.circuits.find(({ id }) => box.feeds.includes(id) && this.neutralOf(id) !== neutral)
    const back = this.errs('borrowed-neutral', other !== undefined) ? this.neutralOf(other!.id) : neutral
    const how = this.lot.weighed([
      ['plain', 6],
      ['constant', 2],
      ['spare', 1],
      ['half', 1.5],
      ['two', box.gangs < GANGS ? 1.5 : 0],
      ['second-hot', box.feeds.length > 1 ? 1 : 0],
    ])
    const shapes: Shape[] = [
      [switched, switched],
      [back, 'neutral'],
    ]
    if (how === 'constant' || how === 'half') {
      shapes.push([hot, 'hot'])
      this.load(fixture, 'other', how === 'half' ? 'receptacle' : 'onward', 'hot', 'neutral')
    }
    if (how === 'spare') shapes.push([null, null])
    if (how === 'second-hot') {
      const second = this.lot.one(box.feeds.filter(id => id !== circuit))
      if (second !== undefined && this.neutralOf(second) === back) {
        shapes.push([`hot ${second}`, 'hot'])
        this.load(fixture, 'other', 'onward', 'hot', 'neutral')
      }
    }
    if (how === 'two') {
      const beside = this.light()
      this.device(box, beside, 'old-switch', { upper: hot, lower: `switched ${beside}` })
      shapes.push([`switched ${beside}`, `switched ${beside}`])
      this.load(fixture, beside, 'lamp', `switched ${beside}`, 'neutral')
    }
    this.cable(box, fixture, shapes)
    this.load(fixture, light, 'lamp', switched, 'neutral')
    if (this.lot.chance(0.15)) {
      const next = this.place('luminaire')
      this.cable(fixture, next, [
        [switched, switched],
        ['neutral', 'neutral'],
      ])
      this.load(next, light, 'lamp', switched, 'neutral')
    }
  }

  /** The feed comes to the luminaire; a cable goes down to the switch and the switched conductor comes back. */
  private switchedByLoop() {
    const [fixture, circuit] = this.taken('luminaire')
    const [hot, neutral] = [`hot ${circuit}`, this.neutralOf(circuit)]
    const lights = this.lot.weighed([
      [1, 5],
      [2, 1.5],
    ])
    const there = [...this.places.values()].filter(({ kind, gangs }) => kind === 'switches' && gangs < GANGS)
    for (let at = 0; at < lights; at++) {
      const light = this.light()
      const switched = `switched ${light}`
      const box = there.length > 0 && this.lot.chance(0.35) ? this.lot.one(there) : this.place('switches')
      const own = `loop ${light}`
      this.device(box, light, 'old-switch', { upper: own, lower: switched })
      const shapes: Shape[] = [
        [hot, own],
        [switched, switched],
      ]
      const how = this.lot.weighed([
        ['plain', 4],
        ['neutral', 2],
        ['spare', 1],
        ['two', box.gangs < GANGS ? 1 : 0],
      ])
      if (how === 'neutral') shapes.push([neutral, `brought ${light}`])
      if (how === 'spare') shapes.push([null, null])
      if (how === 'two') {
        const beside = this.light()
        this.device(box, beside, 'old-switch', { upper: own, lower: `switched ${beside}` })
        shapes.push([`switched ${beside}`, `switched ${beside}`])
        this.load(fixture, beside, 'lamp', `switched ${beside}`, neutral)
      }
      this.cable(fixture, box, shapes)
      this.load(fixture, light, 'lamp', switched, neutral)
    }
  }

  /** Two to four places in a row, fed at any of them or at the luminaire, the lamp on any. */
  private fromSeveralPlaces() {
    const count = this.lot.weighed([
      [2, 6],
      [3, 2],
      [4, 0.7],
    ])
    if (count === 2 && this.lot.chance(0.25)) return this.byLuminaire()
    const light = this.light()
    const switched = `switched ${light}`
    const looped = this.lot.chance(0.25)
    const fedAt = this.lot.below(count)
    const litAt = looped ? fedAt : this.lot.below(count)
    const boxes: Place[] = []
    let circuit = ''
    let line = ''
    let fixture: Place | null = null
    for (let at = 0; at < count; at++) {
      if (at !== fedAt || looped) boxes.push(this.place('switches'))
      else {
        const [box, own] = this.fedBox()
        boxes.push(box)
        circuit = own
      }
    }
    if (looped) [fixture, circuit] = this.taken('luminaire')
    line = looped ? `loop ${light}` : `hot ${circuit}`
    const neutral = this.neutralOf(circuit)
    const travel = (cable: number, which: string) => `traveller ${light} ${cable}${which}`
    boxes.forEach((box, at) => {
      const last = count - 1
      if (at === 0 || at === last) {
        const cable = at === 0 ? 0 : last - 1
        this.device(box, light, 'old-two-place-switch', {
          common: at === 0 ? line : switched,
          'traveller-a': travel(cable, 'a'),
          'traveller-b': travel(cable, 'b'),
        })
      } else
        this.device(box, light, 'old-middle-switch', {
          'first-a': travel(at - 1, 'a'),
          'first-b': travel(at - 1, 'b'),
          'second-a': travel(at, 'a'),
          'second-b': travel(at, 'b'),
        })
    })
    for (let at = 0; at < count - 1; at++) {
      const nets = [travel(at, 'a'), travel(at, 'b')]
      if (fedAt > at) nets.push(line)
      if (litAt <= at) nets.push(switched)
      if (!looped && fedAt <= at !== litAt <= at) nets.push(neutral)
      const shapes = nets.map((net): Shape => [net, net])
      if (shapes.length < IN_ONE_CABLE && this.lot.chance(0.2)) shapes.push([null, null])
      if (shapes.length > IN_ONE_CABLE || (shapes.length === IN_ONE_CABLE && this.lot.chance(0.1))) {
        this.cable(boxes[at]!, boxes[at + 1]!, shapes.slice(0, 2))
        this.cable(boxes[at]!, boxes[at + 1]!, shapes.slice(2))
      } else this.cable(boxes[at]!, boxes[at + 1]!, shapes)
    }
    if (fixture) {
      this.cable(fixture, boxes[fedAt]!, [
        [`hot ${circuit}`, line],
        [switched, switched],
      ])
      this.load(fixture, light, 'lamp', switched, neutral)
      return
    }
    const lamps = this.place('luminaire')
    this.cable(boxes[litAt]!, lamps, [
      [switched, switched],
      [neutral, 'neutral'],
    ])
    this.load(lamps, light, 'lamp', switched, 'neutral')
  }

  /** Two places whose travellers meet at the luminaire. */
  private byLuminaire() {
    const light = this.light()
    const [fixture, circuit] = this.taken('luminaire')
    const neutral = this.neutralOf(circuit)
    const [first, second] = [this.place('switches'), this.place('switches')]
    const both: Shape[] = ['a', 'b'].map(each => [`traveller ${light} ${each}`, `traveller ${light} ${each}`])
    for (const [box, net] of [
      [first, `hot ${circuit}`],
      [second, `switched ${light}`],
    ] as const) {
      const own = `common ${light}`
      this.device(box, light, 'old-two-place-switch', {
        common: own,
        'traveller-a': `traveller ${light} a`,
        'traveller-b': `traveller ${light} b`,
      })
      this.cable(fixture, box, [...both, [net, own]])
    }
    this.load(fixture, light, 'lamp', `switched ${light}`, neutral)
  }

  /** Something further on that is always fed. */
  private goesOn() {
    const [place, circuit] = this.taken(this.lot.one(['receptacle', 'junction', 'luminaire']))
    this.load(place, 'other', 'onward', `hot ${circuit}`, this.neutralOf(circuit))
  }

  /** A circuit, or two that share a neutral, that only passes through a box of switches. */
  private passesThrough() {
    const boxes = [...this.places.values()].filter(({ kind }) => kind === 'switches')
    if (boxes.length === 0) return this.goesOn()
    const [from, box] = [this.fed(), this.lot.one(boxes)]
    if (from === box || box.feeds.length > 1) return this.goesOn()
    const circuit = this.lot.one(from.feeds)
    if (box.feeds.includes(circuit)) return this.goesOn()
    const beside = [...new Set(from.feeds.filter(id => this.neutralOf(id) === this.neutralOf(circuit)))]
    const passing = beside.length > 1 && box.feeds.length === 0 ? beside : [circuit]
    // Two neutrals of one name in a box are one joint: as some do, and some keep apart.
    this.carry(from, box, passing)
    const next = this.place('junction')
    this.carry(box, next, passing)
    for (const each of passing) this.load(next, 'other', 'onward', `hot ${each}`, this.neutralOf(each))
  }

  /** A cable that nobody uses here: capped, though it may be joined where it comes from. */
  private leftOver() {
    const boxes = [...this.places.values()].filter(({ kind }) => kind === 'switches')
    if (boxes.length === 0) return
    const box = this.lot.one(boxes)
    const alive = this.lot.chance(0.35)
    const from = alive ? this.fed() : this.place('junction')
    if (from === box) return
    const circuit = from.feeds[0]
    this.cable(from, box, [
      [circuit === undefined ? null : `hot ${circuit}`, null],
      [circuit === undefined ? null : this.neutralOf(circuit), null],
    ])
  }

  /** The old and unsafe system: both places have hot and neutral, and the lamp lies between. */
  private oldTwoSupplies() {
    const light = this.light()
    const lamps = this.place('luminaire')
    const first = this.taken('switches')
    const second = this.place('switches')
    this.carry(first[0], second, [first[1]])
    for (const [box, net] of [
      [first[0], 'one side'],
      [second, 'other side'],
    ] as const) {
      this.device(box, light, 'old-two-place-switch', {
        common: `${net} ${light}`,
        'traveller-a': `hot ${first[1]}`,
        'traveller-b': this.neutralOf(first[1]),
      })
      this.cable(box, lamps, [[`${net} ${light}`, net]])
    }
    this.load(lamps, light, 'lamp', 'one side', 'other side')
  }
}
