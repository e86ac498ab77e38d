import type { Role } from '@/core/model/vocabulary'
import { HiddenHouse, randomFrom, type Hidden, type Random } from './hidden'

const LIGHT = 'light'

/** Every way such a group is wired, drawn by lot: how many boxes, where it is fed, where the lamp hangs. */
export function randomHidden(seed: number, most = 4): Hidden {
  const random = randomFrom(seed)
  const pick = <Item>(items: readonly Item[]): Item => items[Math.floor(random() * items.length)]!
  const scrambled = random() < 1 / 3
  const stranger = random() < 1 / 5
  const kind = pick([
    'chain',
    'chain',
    'chain',
    'chain',
    'by-luminaire',
    'two-supplies',
    'two-lights',
    'switched-neutral',
  ] as const)
  const given = { scrambled, circuitsAtMost: stranger ? 2 : 1 }
  const name = `seed ${seed}`
  switch (kind) {
    case 'chain': {
      const count = pick([1, 1, 2, 2, 3, 4, 5].filter(each => each <= most))
      return chain(name, count, random, { ...given, stranger })
    }
    case 'by-luminaire':
      return byLuminaire(name, random, given, most > 2 && random() < 0.5)
    case 'two-supplies':
      return twoSupplies(name, random, given)
    case 'two-lights':
      return twoLights(name, random, { ...given, stranger })
    case 'switched-neutral':
      return switchedNeutral(name, random, given)
  }
}

interface Given {
  readonly scrambled: boolean
  readonly circuitsAtMost: number
}

const boxNames = (count: number) => Array.from({ length: count }, (_, at) => `box${at + 1}`)

function begin(name: string, count: number, random: Random, given: Given): HiddenHouse {
  const house = new HiddenHouse(name, boxNames(count), random, given)
  house.supply('a')
  house.light(LIGHT, 1, 'answers')
  house.lamp('lamp', LIGHT, random() < 0.5 ? 'led' : 'filament')
  return house
}

/**
 * Boxes one after another, the ends two-place switches and the others middle ones; fed in any box, the lamp
 * on any box, or both by one cable at a luminaire.
 */
function chain(name: string, count: number, random: Random, given: Given & { stranger: boolean }): Hidden {
  const at = () => Math.floor(random() * count)
  const last = count - 1
  const looped = random() < 0.3
  let [fed, lit] = [at(), at()]
  // Five conductors in one cable are not to be had: two of them would have been run.
  while (fullest(count, fed, looped ? fed : lit) > 4) [fed, lit] = [at(), at()]
  const house = begin(`${name}: ${count} in a chain`, count, random, given)
  const boxes = boxNames(count)
  // The common of the first box takes the line, the last one’s the lamp; what must pass a cable passes it.
  if (count === 1)
    house.device('switch1', boxes[0]!, LIGHT, 'old-switch', { upper: 'line', lower: 'switched' })
  else
    boxes.forEach((box, index) => {
      const id = `switch${index + 1}`
      if (index === 0 || index === last) {
        const side = index === 0 ? 'ahead' : 'behind'
        house.device(id, box, LIGHT, 'old-two-place-switch', {
          common: index === 0 ? 'line' : 'switched',
          'traveller-a': `${side} a`,
          'traveller-b': `${side} b`,
        })
      } else
        house.device(id, box, LIGHT, 'old-middle-switch', {
          'first-a': 'behind a',
          'first-b': 'behind b',
          'second-a': 'ahead a',
          'second-b': 'ahead b',
        })
    })
  const goal = looped ? fed : lit
  for (let index = 0; index < last; index++) {
    const strands: [string | null, Role, string | null, Role][] = [
      ['ahead a', 'traveller', 'behind a', 'traveller'],
      ['ahead b', 'traveller', 'behind b', 'traveller'],
    ]
    if (fed > index) strands.push(['line', 'line', 'line', 'onward-feed'])
    if (goal <= index) strands.push(['switched', 'switched-load', 'switched', 'switched-load'])
    // A neutral goes where the lamp is, and sometimes to boxes that do not need it.
    const passes = !looped && ((fed <= index && goal > index) || (goal <= index && fed > index))
    if (passes) strands.push(['neutrals', 'neutral', 'neutrals', 'neutral'])
    else if (strands.length === 2 && random() < 0.3) strands.push([null, 'spare', null, 'spare'])
    house.run(boxes[index]!, boxes[index + 1]!, strands)
  }
  if (looped)
    house.out(boxes[fed]!, 'luminaire', [
      ['line', 'loop-feed', 'a:h'],
      ['switched', 'loop-return', 'lamp:h'],
    ])
  else {
    house.out(boxes[fed]!, 'panel', [
      ['line', 'line', 'a:h'],
      ['neutrals', 'neutral', 'a:n'],
    ])
    house.out(boxes[lit]!, 'luminaire', [
      ['switched', 'switched-load', 'lamp:h'],
      ['neutrals', 'neutral', 'lamp:n'],
    ])
    if (random() < 0.3) {
      house.further('further')
      house.out(boxes[fed]!, 'elsewhere', [
        ['line', 'onward-feed', 'further:h'],
        ['neutrals', 'neutral', 'further:n'],
      ])
    }
  }
  if (looped) house.returnsOutside('lamp:n', 'a:n')
  if (given.stranger) passingBy(house, boxes[at()]!, random)
  return house.finish()
}

/** Conductors in the fullest cable of a chain: travellers, and what must pass. */
function fullest(count: number, fed: number, goal: number): number {
  const passing = Array.from({ length: count - 1 }, (_, at) => {
    const neutral = fed !== goal && (fed <= at ? goal > at : goal <= at)
    return 2 + (fed > at ? 1 : 0) + (goal <= at ? 1 : 0) + (neutral ? 1 : 0)
  })
  return Math.max(0, ...passing)
}

/** Another circuit that only passes through a box, with a neutral of its own or, by one cable, with a shared one. */
function passingBy(house: HiddenHouse, box: string, random: Random): void {
  house.supply('b', { phaseDegrees: random() < 0.5 ? 180 : 0 })
  house.further('stranger')
  house.out(box, 'panel', [
    ['other line', 'line', 'b:h'],
    ['other neutrals', 'neutral', 'b:n'],
  ])
  house.out(box, 'elsewhere', [
    ['other line', 'onward-feed', 'stranger:h'],
    ['other neutrals', 'neutral', 'stranger:n'],
  ])
}

/** Two circuits by one cable that share its neutral; the other one goes on to something else. */
function sharedNeutral(house: HiddenHouse, box: string): void {
  house.supply('b', { phaseDegrees: 180 })
  house.further('stranger')
  house.out(box, 'panel', [
    ['line', 'line', 'a:h'],
    ['other line', 'line', 'b:h'],
    ['neutrals', 'neutral', 'a:n'],
  ])
  house.returnsOutside('b:n', 'a:n')
  house.out(box, 'elsewhere', [
    ['other line', 'onward-feed', 'stranger:h'],
    ['neutrals', 'neutral', 'stranger:n'],
  ])
}

function fedFromPanel(house: HiddenHouse, box: string): void {
  house.out(box, 'panel', [
    ['line', 'line', 'a:h'],
    ['neutrals', 'neutral', 'a:n'],
  ])
}

/**
 * Two places whose cables meet at the luminaire: fed there, or the lamp between them; sometimes with a neutral
 * brought down to one place or both. With a third place behind the second, if asked for.
 */
function byLuminaire(name: string, random: Random, given: Given, withThird: boolean): Hidden {
  const house = begin(`${name}: ${withThird ? 3 : 2} by a luminaire`, withThird ? 3 : 2, random, given)
  const fedThere = random() < 0.5
  const [downHere, downThere] = [random() < 0.4, random() < 0.4]
  const down = (is: boolean): [string, Role, string][] => (is ? [['neutrals', 'neutral', 'a:n']] : [])
  const travellers: [string, Role, string][] = [
    ['a', 'traveller', 'splice a'],
    ['b', 'traveller', 'splice b'],
  ]
  const two = { 'traveller-a': 'a', 'traveller-b': 'b' }
  house.device('switch1', 'box1', LIGHT, 'old-two-place-switch', { common: 'line', ...two })
  if (withThird) {
    house.device('switch2', 'box2', LIGHT, 'old-middle-switch', {
      'first-a': 'a',
      'first-b': 'b',
      'second-a': 'ahead a',
      'second-b': 'ahead b',
    })
    house.device('switch3', 'box3', LIGHT, 'old-two-place-switch', { common: 'switched', ...two })
    house.run('box2', 'box3', [
      ['ahead a', 'traveller', 'a', 'traveller'],
      ['ahead b', 'traveller', 'b', 'traveller'],
      ['switched', 'switched-load', 'switched', 'switched-load'],
    ])
  } else house.device('switch2', 'box2', LIGHT, 'old-two-place-switch', { common: 'switched', ...two })
  if (fedThere) {
    house.out('box1', 'luminaire', [...travellers, ['line', 'loop-feed', 'a:h'], ...down(downHere)])
    house.out('box2', 'luminaire', [...travellers, ['switched', 'loop-return', 'lamp:h'], ...down(downThere)])
    house.returnsOutside('lamp:n', 'a:n')
  } else {
    fedFromPanel(house, 'box1')
    const on: [string, Role, string][] = downThere ? [['neutrals', 'neutral', 'lamp:n']] : []
    house.out('box1', 'luminaire', [...travellers, ['neutrals', 'neutral', 'lamp:n']])
    house.out('box2', 'luminaire', [...travellers, ['switched', 'switched-load', 'lamp:h'], ...on])
  }
  return house.finish()
}

/** Two switches in one box, fed once, each with its light; by a cable each, or both by one. */
function twoLights(name: string, random: Random, given: Given & { stranger: boolean }): Hidden {
  const house = begin(`${name}: two lights`, 1, random, given)
  house.light('other', 1, 'answers')
  house.lamp('lamp2', 'other', random() < 0.5 ? 'led' : 'filament')
  house.device('switch1', 'box1', LIGHT, 'old-switch', { upper: 'line', lower: 'switched' })
  house.device('switch2', 'box1', 'other', 'old-switch', { upper: 'line', lower: 'other switched' })
  if (given.stranger) sharedNeutral(house, 'box1')
  else fedFromPanel(house, 'box1')
  if (random() < 0.5) {
    house.out('box1', 'luminaire', [
      ['switched', 'switched-load', 'lamp:h'],
      ['other switched', 'switched-load', 'lamp2:h'],
      ['neutrals', 'neutral', 'lamp:n'],
    ])
    house.returnsOutside('lamp2:n', 'lamp:n')
    return house.finish()
  }
  for (const [net, lamp] of [
    ['switched', 'lamp'],
    ['other switched', 'lamp2'],
  ] as const)
    house.out('box1', 'luminaire', [
      [net, 'switched-load', `${lamp}:h`],
      ['neutrals', 'neutral', `${lamp}:n`],
    ])
  return house.finish()
}

/** A fault of old houses: the lamp is hot all the time, and its return is switched. */
function switchedNeutral(name: string, random: Random, given: Given): Hidden {
  const house = begin(`${name}: a switched neutral`, 1, random, given)
  house.device('switch1', 'box1', LIGHT, 'old-switch', { upper: 'neutrals', lower: 'return' })
  fedFromPanel(house, 'box1')
  house.out('box1', 'luminaire', [
    ['line', 'onward-feed', 'lamp:h'],
    ['return', 'switched-load', 'lamp:n'],
  ])
  return house.finish()
}

/** The old and unsafe system: each place has hot and neutral, and the lamp lies between the two. */
function twoSupplies(name: string, random: Random, given: Given): Hidden {
  const house = begin(`${name}: two supplies`, 2, random, given)
  for (const [box, id, lampEnd] of [
    ['box1', 'switch1', 'lamp:h'],
    ['box2', 'switch2', 'lamp:n'],
  ] as const) {
    house.device(id, box, LIGHT, 'old-two-place-switch', {
      common: 'switched',
      'traveller-a': 'line',
      'traveller-b': 'neutrals',
    })
    house.out(box, 'panel', [
      ['line', 'line', 'a:h'],
      ['neutrals', 'neutral', 'a:n'],
    ])
    house.out(box, 'luminaire', [['switched', 'switched-load', lampEnd]])
  }
  return house.finish()
}
