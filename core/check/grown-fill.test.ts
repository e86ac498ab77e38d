import { expect, it } from 'vitest'
import { trade } from '@/catalogue'
import { bareJob, strand } from '@/demo/usual'
import type { CableAsFound, Strand } from '@/demo/builder'
import { lot } from '@/testing/model/lot'
import { TIMES } from '@/testing/times'
import { boxView } from '../job/box-view'
import { fillAsFound, volumeOf } from '.'

/* What is in a box is drawn first and counted by hand; the record is written from it afterwards. */

const ROOM = { '18 AWG': 1.5, '16 AWG': 1.75, '14 AWG': 2, '12 AWG': 2.25, '10 AWG': 2.5 } as const
type Size = keyof typeof ROOM
const SIZES = ['14 AWG', '12 AWG', '10 AWG'] as const

/** Screws of a gang that holds a switch, or a device of two gangs. */
const MODELS = [
  { id: 'old-switch', gangs: 1, screws: ['upper', 'lower'] },
  { id: 'dimmer-led-600-neutral-wide', gangs: 2, screws: ['line', 'load'] },
] as const

interface Wire {
  readonly size: Size
  readonly is: 'live' | 'ground' | 'lead' | 'lead ground'
  /** Conductors that go through carry one number at both ends. */
  readonly through: number | null
  readonly looped: boolean
  readonly gang: number | null
  /** By a pigtail from a joint. */
  readonly tail: boolean
}

function inside(draw: (most: number) => number) {
  const wires: Wire[] = []
  const plain = { through: null, looped: false, gang: null, tail: false }
  for (let count = 1 + draw(6); count > 0; count--)
    wires.push({ ...plain, size: SIZES[draw(3)]!, is: 'live' })
  for (let count = draw(8); count > 0; count--) wires.push({ ...plain, size: SIZES[draw(3)]!, is: 'ground' })
  for (let number = draw(3); number > 0; number--) {
    const one = {
      ...plain,
      size: SIZES[draw(3)]!,
      is: draw(4) > 0 ? 'live' : 'ground',
      through: number,
    } as const
    const looped = draw(2) === 0
    wires.push({ ...one, looped }, { ...one, looped })
  }
  const gangs = Array.from({ length: draw(4) }, () => MODELS[draw(4) === 0 ? 1 : 0]!)
  gangs.forEach((_, at) => {
    wires.push({ ...plain, size: SIZES[draw(3)]!, is: 'live', gang: at + 1 })
    if (draw(2) === 0)
      wires.push({ ...plain, size: SIZES[draw(3)]!, is: 'live', gang: at + 1, tail: draw(2) === 0 })
  })
  const leads = draw(3) === 0 ? 2 + draw(4) : 0
  const lead = (['18 AWG', '16 AWG', '14 AWG'] as const)[draw(3)]!
  for (let count = leads; count > 0; count--) wires.push({ ...plain, size: lead, is: 'lead' })
  if (leads > 0) wires.push({ ...plain, size: '18 AWG', is: 'lead ground' })
  return {
    wires,
    gangs,
    clamps: draw(2) === 0,
    fittings: draw(3),
    ring: draw(3) === 0 ? 1 + draw(12) : null,
    inQuarters: draw(2) === 0,
  }
}

type Inside = ReturnType<typeof inside>

/** By the rule, one after the other. */
function byHand({ wires, gangs, clamps, fittings, inQuarters }: Inside): number {
  const leads = wires.filter(({ is }) => is === 'lead')
  const exempt = leads.length <= 4 && leads.every(({ size }) => size !== '14 AWG')
  let sum = 0
  let largest = 0
  let grounds = 0
  let largestGround = 0
  const met = new Set<number>()
  for (const wire of wires) {
    if (exempt && (wire.is === 'lead' || wire.is === 'lead ground')) continue
    if (wire.through !== null && !wire.looped) {
      if (met.has(wire.through)) continue
      met.add(wire.through)
    }
    const room = ROOM[wire.size]
    largest = Math.max(largest, room)
    if (wire.is === 'ground' || wire.is === 'lead ground') {
      grounds++
      largestGround = Math.max(largestGround, room)
    } else sum += room
  }
  sum += largestGround
  if (inQuarters) for (let more = 5; more <= grounds; more++) sum += largestGround / 4
  if (clamps) sum += largest
  for (let count = 0; count < fittings; count++) sum += largest
  gangs.forEach((model, at) => {
    const on = wires.filter(({ gang }) => gang === at + 1).map(({ size }) => ROOM[size])
    sum += 2 * model.gangs * Math.max(...on)
  })
  return sum
}

function written(of: Inside) {
  const job = bareJob('grown', { breakers: ['7'] })
  const tails: (readonly [string, string])[] = []
  const onScrew = new Map<number, number>()
  const seat = ({ gang, tail, through, is }: Wire): string => {
    if (through !== null) return `joint:through-${through}`
    if (gang === null) return is === 'ground' || is === 'lead ground' ? 'joint:grounds' : 'cap'
    const taken = onScrew.get(gang) ?? 0
    onScrew.set(gang, taken + 1)
    const screw = `${gang}.${of.gangs[gang - 1]!.screws[taken]!}`
    if (!tail) return screw
    tails.push([`tail-${gang}`, screw])
    return `joint:tail-${gang}`
  }
  const written = (wire: Wire): Strand =>
    strand(
      wire.is === 'ground' ? 'bare' : wire.is === 'lead ground' ? 'green' : 'black',
      seat(wire),
      undefined,
      {
        gauge: wire.size,
      },
    )
  const isLead = ({ is }: Wire) => is === 'lead' || is === 'lead ground'
  const halves = [0, 1].map(half => of.wires.filter((wire, at) => !isLead(wire) && at % 2 === half))
  const cables: CableAsFound[] = halves.map((wires, at) => ({
    name: 'AB'[at]!,
    entry: 'top',
    far: 'elsewhere',
    strands: wires.map(written),
  }))
  const leads = of.wires.filter(isLead)
  if (leads.length > 0)
    cables.push({
      name: 'L',
      entry: 'top',
      far: 'luminaire',
      sheath: 'own-leads',
      strands: leads.map(written),
    })
  job.box({
    id: 'box',
    room: 'room',
    name: 'By the door',
    breakers: ['7'],
    box: {
      innerClamps: of.clamps,
      fittingKinds: of.fittings,
      ringCubicInches: of.ring,
      gangs: 6,
      volumeCubicInches: 20,
    },
    controls: of.gangs.map(({ id }, at) => ({ group: `light${at}`, name: `Light ${at}`, old: id })),
    cables: cables.filter(({ strands }) => strands.length > 0),
    pigtails: tails,
  })
  job.put('houseRules', {
    id: 'rule',
    ruleId: 'fill-edition',
    value: of.inQuarters ? 'grounds-in-quarters' : 'grounds-as-one',
  })
  const record = job.record()
  const joints = Object.fromEntries(
    Object.entries(record.joints).map(([id, row]) => {
      const through = of.wires.find(
        ({ through }) => through !== null && id === `box-joint-through-${through}`,
      )
      return [
        id,
        through ? { ...row, connector: through.looped ? ('looped' as const) : ('unbroken' as const) } : row,
      ]
    }),
  )
  return boxView({ ...record, joints }, 'box')!
}

const BOXES = 2000 * TIMES

it(`fills of boxes grown at random are those counted by hand (${BOXES} boxes)`, () => {
  const met = { through: 0, looped: 0, leads: 0, counted: 0, tails: 0, wide: 0, manyGrounds: 0 }
  for (let seed = 1; seed <= BOXES; seed++) {
    const of = inside(lot(seed))
    const view = written(of)
    expect(fillAsFound(view, trade).cubicInches, `seed ${seed}`).toBeCloseTo(byHand(of), 6)
    expect(volumeOf(view.box), `seed ${seed}`).toBe(20 + (of.ring ?? 0))
    if (of.wires.some(({ through, looped }) => through !== null && !looped)) met.through++
    if (of.wires.some(({ looped }) => looped)) met.looped++
    const leads = of.wires.filter(({ is }) => is === 'lead')
    if (leads.length > 0) met.leads++
    if (leads.length > 4 || leads.some(({ size }) => size === '14 AWG')) met.counted++
    if (of.wires.some(({ tail }) => tail)) met.tails++
    if (of.gangs.some(({ gangs }) => gangs > 1)) met.wide++
    if (of.wires.filter(({ is }) => is === 'ground').length > 4) met.manyGrounds++
  }
  for (const [what, count] of Object.entries(met)) expect(count, what).toBeGreaterThan(BOXES / 20)
})
