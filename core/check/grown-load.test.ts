import { expect, it } from 'vitest'
import { trade } from '@/catalogue'
import { bareJob, strand, usualBox, type UsualBox } from '@/demo/usual'
import { lot } from '@/testing/model/lot'
import { TIMES } from '@/testing/times'
import { boxView } from '../job/box-view'
import { checkPlace, type Line } from '.'

/* Loads are drawn with what their plates say, and reckoned by hand with figures written here once more. */

type Draw = ReturnType<typeof lot>
type Lamp = NonNullable<UsualBox['lamps']>[number]

/** Kind of rating, and the power factor where none is printed. */
const KINDS = {
  tungsten: ['tungsten', 1],
  led: ['led', 0.5],
  cfl: ['led', 0.5],
  'electronic-transformer': ['electronic-transformer', 0.95],
  'magnetic-transformer': ['magnetic-transformer', 0.9],
  'electronic-ballast': ['electronic-ballast', 0.95],
  'fan-motor': ['motor', 0.7],
  inductive: ['inductive', 0.5],
  receptacle: ['general', 1],
} as const
const MOTORS = [
  [1 / 6, 4.4],
  [1 / 4, 5.8],
  [1 / 3, 7.2],
  [1 / 2, 9.8],
  [3 / 4, 13.8],
  [1, 16],
] as const

interface Drawn {
  readonly kind: keyof typeof KINDS
  readonly count: number
  readonly watts: number | null
  readonly amps: number | null
  readonly volts: number | null
  readonly factor: number | null
  readonly motor: (typeof MOTORS)[number] | null
  readonly long: boolean
}

function lamp(draw: Draw): Drawn {
  const kind = (Object.keys(KINDS) as (keyof typeof KINDS)[])[draw(9)]!
  return {
    kind,
    count: 1 + draw(4),
    watts: draw(5) > 0 ? 5 + draw(150) : null,
    amps: draw(6) === 0 ? (1 + draw(20)) / 10 : null,
    volts: draw(6) === 0 ? 5 + draw(200) : null,
    factor: draw(2) === 0 ? [0.6, 0.8, 0.95, 1][draw(4)]! : null,
    motor: kind === 'fan-motor' && draw(2) === 0 ? MOTORS[draw(6)]! : null,
    long: draw(3) === 0,
  }
}

const row = (of: Drawn): Lamp => ({
  kind: of.kind,
  count: of.count,
  wattsEach: of.watts,
  amperesEach: of.amps,
  voltAmperesEach: of.volts,
  powerFactor: of.factor,
  horsepower: of.motor?.[0] ?? null,
  longHours: of.long,
  dimmable: 'yes',
})

/** Amperes of one, by what is surest of its plate; null where nothing says. */
function amperes({ kind, watts, amps, volts, factor, motor }: Drawn): number | null {
  if (motor) return motor[1]
  if (amps !== null) return amps
  if (volts !== null) return volts / 120
  return watts === null ? null : watts / (factor ?? KINDS[kind][1]) / 120
}

function inUnit(of: Drawn, unit: string): number | null {
  const each = amperes(of)
  if (unit === 'hp') {
    if (of.motor) return of.motor[0] * of.count
    // Of a plate that says what it draws: the size that draws as much.
    const plate = of.amps ?? (of.volts === null ? null : of.volts / 120)
    const size = plate === null ? undefined : MOTORS.find(motor => motor[1] >= plate - 1e-9)
    return size ? size[0] * of.count : null
  }
  if (unit === 'W' && of.watts !== null) return of.watts * of.count
  if (each === null) return null
  return (unit === 'A' ? each : unit === 'VA' ? each * 120 : each * 120 * (of.factor ?? 1)) * of.count
}

interface Limit {
  readonly kind: string
  readonly unit: 'W' | 'VA' | 'A' | 'hp'
  readonly limit: number
}

type Answer = 'fits' | 'not-known' | 'does-not-fit'

/** Each kind against each rating it has, the sum of the shares, and the whole against a general rating. */
function byHand(lamps: readonly Drawn[], limits: readonly Limit[]): Answer {
  let answer: Answer = 'fits'
  const no = () => (answer = 'does-not-fit')
  const unknown = () => answer === 'fits' && (answer = 'not-known')
  const byKind = new Map<string, Drawn[]>()
  for (const each of lamps) {
    const kind = KINDS[each.kind][0]
    byKind.set(kind, [...(byKind.get(kind) ?? []), each])
  }
  let together = 0
  let anyOwn = false
  for (const [kind, of] of byKind) {
    const own = limits.filter(limit => limit.kind === kind)
    if (own.length > 0) anyOwn = true
    const held = own.length > 0 || kind === 'motor' ? own : limits.filter(limit => limit.kind === 'general')
    if (held.length === 0) no()
    let most = 0
    for (const { unit, limit } of held) {
      let sum = 0
      let all = true
      for (const each of of) {
        const value = inUnit(each, unit)
        if (value === null) all = false
        else sum += value
      }
      // Horsepower of some says nothing of the others.
      if (unit === 'hp' && !all) sum = 0
      if (sum > limit + 1e-9) no()
      else if (!all) unknown()
      most = Math.max(most, sum / limit)
    }
    together += most
  }
  if (byKind.size > 1 && together > 1 + 1e-9) no()
  const general = limits.find(({ kind }) => kind === 'general')
  if (general?.unit === 'A' && anyOwn) {
    let sum = 0
    for (const each of lamps) {
      const value = inUnit(each, 'A')
      if (value === null) unknown()
      else sum += value
    }
    if (sum > general.limit + 1e-9) no()
  }
  return answer
}

const worst = (lines: readonly Line[]): string =>
  (['does-not-fit', 'not-known', 'fits-if'] as const).find(verdict =>
    lines.some(each => each.verdict === verdict),
  ) ?? 'fits'

const LOADS = 800 * TIMES

it(`loads of any plate against any ratings are judged as by hand (${LOADS} controls)`, () => {
  const met: Record<string, number> = { fits: 0, 'not-known': 0, 'does-not-fit': 0 }
  for (let seed = 1; seed <= LOADS; seed++) {
    const draw = lot(seed)
    const lamps = Array.from({ length: 1 + draw(3) }, () => lamp(draw))
    const limits: Limit[] = []
    const kinds = [...new Set([...lamps.map(({ kind }) => KINDS[kind][0]), 'general'])]
    for (const kind of kinds)
      for (let count = [0, 1, 1, 1, 2][draw(5)]!; count > 0; count--) {
        const unit =
          kind === 'general' ? 'A' : (['W', 'VA', 'A', kind === 'motor' ? 'hp' : 'A'] as const)[draw(4)]!
        const limit = { W: 100 + draw(900), VA: 100 + draw(900), A: 1 + draw(20), hp: 0.25 + draw(4) / 4 }[
          unit
        ]
        if (!limits.some(each => each.kind === kind && (each.unit === unit || kind === 'general')))
          limits.push({ kind, unit, limit })
      }
    const given = {
      ...trade,
      devices: trade.devices.map(each =>
        each.id === 'switch-plain-15'
          ? { ...each, ratings: limits.map(of => ({ ...of, oneSide: null, bothSides: null })) }
          : each,
      ),
    } as typeof trade
    const view = usualBox({ lamps: lamps.map(row) })
    const found = checkPlace(view, 'box-1', given).find(({ device }) => device.id === 'switch-plain-15')!
    const lines = found.lines.filter(({ rule }) => ['load-kind', 'load-sum', 'load-general'].includes(rule))
    const answer = byHand(lamps, limits)
    expect(worst(lines), `seed ${seed}: ${JSON.stringify({ lamps, limits })}`).toBe(answer)
    // No line says that all of it fits while something of it has not been read.
    if (lamps.some(each => amperes(each) === null))
      for (const { rule, verdict } of lines.filter(({ rule }) => rule !== 'load-kind'))
        expect(verdict, `seed ${seed}: ${rule}`).not.toBe('fits')
    met[answer]!++
  }
  for (const [what, count] of Object.entries(met)) expect(count, what).toBeGreaterThan(LOADS / 20)
})

const HOUSES = 150 * TIMES

it(`breakers bear what hangs on them as by hand (${HOUSES} houses)`, () => {
  const met: Record<string, number> = { fits: 0, 'not-known': 0, 'does-not-fit': 0 }
  for (let seed = 1; seed <= HOUSES; seed++) {
    const draw = lot(seed)
    const lights = Array.from({ length: 1 + draw(5) }, () => ({
      breaker: ['7', '9'][draw(2)]!,
      lamps: Array.from({ length: draw(8) === 0 ? 0 : 1 + draw(2) }, () => ({
        ...lamp(draw),
        ...(draw(8) === 0 ? {} : { watts: 20 + draw(200) }),
      })),
    }))
    const job = bareJob('grown', { breakers: ['7', '9'] })
    lights.forEach(({ breaker, lamps }, at) =>
      job.box({
        id: `box${at}`,
        room: 'room',
        name: `Box ${at}`,
        breakers: [breaker],
        controls: [{ group: `light${at}`, name: `Light ${at}`, old: 'old-switch', lamps: lamps.map(row) }],
        cables: [
          {
            name: 'A',
            far: 'panel',
            entry: 'bottom',
            strands: [strand('black', 'upper', 'line'), strand('white', 'cap', 'neutral')],
          },
          {
            name: 'L',
            far: 'luminaire',
            entry: 'top',
            strands: [strand('black', 'lower', 'switched-load', { group: `light${at}` })],
          },
        ],
      }),
    )
    const record = job.record()
    lights.forEach(({ breaker }, at) => {
      const named: string[] = []
      const view = boxView(record, `box${at}`)!
      const line = checkPlace(view, `box${at}-1`, trade)
        .find(({ device }) => device.id === 'switch-plain-15')!
        .lines.find(({ rule }) => rule === 'breaker')!
      let sum = 0
      let all = true
      for (const [index, other] of lights.entries()) {
        if (other.breaker !== breaker) continue
        let read = other.lamps.length > 0
        for (const each of other.lamps) {
          const amps = amperes(each)
          if (amps === null) read = false
          else sum += amps * each.count * (each.long ? 1.25 : 1)
        }
        // Of this light all is known, or nothing is said; another one that nobody has read is named.
        if (index === at) all = read
        else if (!read) named.push(`“Light ${index}”`)
      }
      const answer = sum > 15 + 1e-9 ? 'does-not-fit' : all ? 'fits' : 'not-known'
      expect(line.verdict, `seed ${seed}, light ${at}`).toBe(answer)
      if (answer === 'fits')
        for (const name of lights.map((_, index) => `“Light ${index}”`))
          expect(line.says.includes(name), `seed ${seed}, light ${at}: ${name}`).toBe(named.includes(name))
      met[answer]!++
    })
  }
  for (const [what, count] of Object.entries(met)) expect(count, what).toBeGreaterThan(HOUSES / 20)
})
