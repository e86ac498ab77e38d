import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { trade } from '@/catalogue'
import { bareJob, strand, usualBox } from '@/demo/usual'
import { plainPen, written } from '@/testing/recording/plain-pen'
import { checkLight, checkPlace, raisedDefects } from '../check'
import { accountedIn, claimStatus, Identifier, surveyOf } from '../identify'
import { boxView, type BoxView } from '../job/box-view'
import { pickList } from '../pick'
import { dayOf, planBox, testList } from '../plan'
import { prove } from '../prove'
import { arrangementsOf, hung, severalPlaces, templateEdits, templatesFor } from '../recording'
import { foundCircuit, plannedCircuit, routeBox } from '../route'
import { carryingCost, type Runner } from '../route/carry'
import type { JobRecord } from './record'
import { REGIONS, regionOf, type Region } from './regions'
import { deviceNamed, type Trade } from './trade'
import type { RegionId } from './vocabulary'

/* A region that nobody lives in, made of data alone: no part of the core knows its name. */

const ID = 'islands-100' as RegionId
const ISLANDS: Region = {
  ...REGIONS['europe-230'],
  id: ID,
  name: 'Islands, 100 V',
  nominalVolts: 100,
  nominalBand: [90, 110],
  useBand: [88, 110],
  ring: null,
  freeMillimetres: 120,
  usualGauge: '2.5 mm²',
  leadGauge: '0.75 mm²',
  usualBreakerAmps: 10,
  insulations: ['yellow', 'grey', 'green', 'red', 'blue'],
  hints: { yellow: 'line', grey: 'neutral', green: 'ground' },
  neutralColours: ['grey'],
  groundColours: ['green'],
  colours: {
    hot: 'yellow',
    neutral: 'grey',
    ground: 'green',
    second: 'red',
    third: 'blue',
    loop: { line: 'grey', load: 'yellow' },
    beside: {
      load: ['red', 'blue', 'yellow'],
      neutral: ['red', 'blue', 'grey'],
      other: ['red', 'blue', 'yellow'],
    },
    leads: ['yellow', 'grey', 'green'],
    pigtails: { line: 'yellow', load: 'red', neutral: 'grey', ground: 'green', other: 'blue' },
    marked: 'yellow',
  },
  cables: [{ id: 'three', words: 'Three', insulations: ['yellow', 'grey', 'green'] }],
  neutralAtSwitch: true,
  newSwitchNeutral: false,
  sharedNeutrals: 'two-legs-one-handle',
  loadOnNeutralColour: false,
  neutralBeside: {},
  groundReferenced: 'listed-retrofit',
  protects: [],
  locations: [{ id: 'dry', says: 'Dry', needs: 'dry', byCover: false }],
  language: {
    locale: 'is',
    terms: [
      ['hot', 'live'],
      ['breaker', 'fuse'],
      ['ground', 'frame'],
      ['box', 'niche'],
      ['panel', 'board'],
    ],
    sentences: {},
  },
  currency: 'ISL',
  measures: 'metric',
}

/** What is sold elsewhere is sold here too, for gauges in mm² and these volts. */
const here: Trade = {
  ...trade,
  devices: trade.devices.map(each => ({
    ...each,
    regions: [...each.regions, ID],
    terminals: each.terminals.map(terminal => ({
      ...terminal,
      gauges: [...new Set([...terminal.gauges, '2.5 mm²' as const])],
    })),
  })),
}

const regions = REGIONS as Record<string, Region>
beforeAll(() => void (regions[ID] = ISLANDS))
afterAll(() => void delete regions[ID])

function box(choice: string | null): BoxView {
  const job = bareJob('islands', { region: ID })
  const circuit = { circuit: '7' }
  job.box({
    id: 'box',
    room: 'room',
    name: 'By the door',
    breakers: ['7'],
    box: { depthMillimetres: 80 },
    controls: [
      {
        group: 'light',
        name: 'Light',
        old: 'old-switch',
        lamps: [{ kind: 'led', wattsEach: 10, count: 4, dimmable: 'yes', powerFactor: 0.9 }],
        ...(choice ? { choice } : {}),
      },
    ],
    cables: [
      {
        name: 'A',
        entry: 'bottom',
        far: 'panel',
        strands: [
          strand('yellow', 'upper', 'line', circuit),
          strand('grey', 'joint:whites', 'neutral', circuit),
          strand('green', 'joint:grounds', 'ground'),
        ],
      },
      {
        name: 'B',
        entry: 'top',
        far: 'luminaire',
        strands: [
          strand('yellow', 'lower', 'switched-load', { group: 'light' }),
          strand('grey', 'joint:whites', 'neutral', circuit),
          strand('green', 'joint:grounds', 'ground'),
        ],
      },
    ],
  })
  job.proveRoles('box')
  return job.view('box')
}

/** Words of the other regions that may not be heard here. */
const FOREIGN =
  /breaker|\bMCB\b|\bearth\b|back-box|consumer unit|\bEUR\b|\bUSD\b|\bwhite\b|\bblack\b|\bbrown\b/

describe('a third region, as data alone', () => {
  it('Look: what is usually found is recorded in its colours', () => {
    const bare = usualBox({ region: ID, cables: [], proven: false })
    const view = boxView({ ...bare.record, devices: {} }, 'box')!
    for (const template of templatesFor(view, here)) {
      const record = written(
        view.record,
        templateEdits(plainPen(template.id), view, here, template, regionOf(ID).usualGauge),
      )
      const colours = new Set(Object.values(record.conductors).map(({ insulation }) => insulation))
      for (const colour of colours) expect(ISLANDS.insulations, template.id).toContain(colour)
      for (const { gauge } of Object.values(record.conductors)) expect(gauge).toBe('2.5 mm²')
    }
    const lit = written(
      view.record,
      hung(plainPen('hung'), view.record, {
        boxId: 'box',
        kind: 'luminaire',
        groupId: 'light',
        loadId: null,
      }),
    )
    expect(Object.values(lit.conductors).map(({ insulation, gauge }) => `${insulation} ${gauge}`)).toEqual([
      'yellow 0.75 mm²',
      'grey 0.75 mm²',
      'green 0.75 mm²',
    ])
  })

  it('a light of several places is recorded whole, and every set is judged', () => {
    const bare = bareJob('islands', { region: ID }).record()
    const at = (name: string) => ({ kind: 'new', roomName: 'Room', floor: '', name }) as const
    const [arrangement] = arrangementsOf(2)
    const { edits, groupId } = severalPlaces(plainPen(), bare, {
      arrangement: arrangement!,
      lightName: 'Stair',
      places: [at('Foot'), at('Head')],
      lamps: { kind: 'led', wattsEach: 9, count: 2 },
      gauge: '2.5 mm²',
      circuitId: 'circuit-7',
      switches: {
        end: deviceNamed(here, 'old-two-place-switch')!,
        middle: deviceNamed(here, 'old-middle-switch')!,
      },
    })
    const record = written(bare, edits)
    for (const { insulation } of Object.values(record.conductors))
      expect(ISLANDS.insulations).toContain(insulation)
    expect(checkLight(record, groupId, here).length).toBeGreaterThan(3)
  })

  it('Test: the next reading is asked, and every line is said in its words', () => {
    const view = box(null)
    const found = surveyOf([view], here)
    if (!found.ok) throw new Error(found.faults[0]!.message)
    expect(found.value.nominalVolts).toBe(100)
    // The hot's colour hints, so that the first question is put to it; nothing is proven before it is read.
    const opened = Identifier.of(found.value, { live: true })
    if (!opened.ok) throw new Error(opened.faults[0]!.message)
    const { next, known } = opened.value.after([], accountedIn([view]), new Set())
    expect(next?.question).toBeDefined()
    expect(known.some(({ proof }) => proof === 'proven')).toBe(false)
    expect(view.readings.every(({ value }) => value === 0 || Math.abs(value - 100) < 5)).toBe(true)
    expect(claimStatus(view, view.ends[0]!).proof).toBe('proven')
  })

  it('Choose, Wire, Set, Prove, Pick and Day', () => {
    const view = box('dimmer-led-150-neutral')
    const judged = checkPlace(view, 'box-1', here)
    const dimmer = judged.find(({ device }) => device.id === 'dimmer-led-150-neutral')!
    expect(dimmer.verdict).toBe('fits')
    expect(judged.flatMap(({ lines }) => lines.map(({ says }) => says)).join('\n')).not.toMatch(FOREIGN)
    const routed = routeBox(view, here)
    if (!routed.ok) throw new Error(routed.faults[0]!.message)
    const pigtails = routed.value.pigtails.map(({ insulation }) => insulation)
    for (const colour of pigtails) expect(Object.values(ISLANDS.colours.pigtails)).toContain(colour)
    const planned = prove(plannedCircuit(view, routed.value, here))
    expect(planned.kind === 'refuted' ? planned.counterexamples.map(({ says }) => says) : []).toEqual([])
    expect(planned.kind).toBe('proven')
    // The old switch was never grounded, there or anywhere.
    const found = foundCircuit([view], here)
    const proof = found.ok && prove(found.value)
    expect(
      proof && proof.kind === 'refuted' && proof.counterexamples.map(({ property }) => property),
    ).toEqual(['ground-reaches'])
    const { steps } = planBox(view, here)
    // What a device's own leads are called is printed on them.
    expect(steps.map(({ says, why }) => `${says} ${why}`.replace(/“[^”]*”/g, '')).join('\n')).not.toMatch(
      FOREIGN,
    )
    expect(
      testList(view, view.places[0]!, here)
        .map(({ says }) => says)
        .join('\n'),
    ).not.toMatch(FOREIGN)
    expect(
      raisedDefects(view, here)
        .map(({ what, cure }) => `${what} ${cure}`)
        .join('\n'),
    ).not.toMatch(FOREIGN)
    expect(pickList(view.record, here, {}).length).toBeGreaterThan(0)
    expect(dayOf(view.record, here).stretches.length).toBeGreaterThan(0)
  })

  it('a conductor in the neutral’s colour that feeds is marked in its colour, and never takes the load back', () => {
    const view = box('switch-plain-15')
    const ends: JobRecord['ends'] = Object.fromEntries(
      Object.entries(view.record.ends).map(([id, end]) => [id, end]),
    )
    const conductors = Object.fromEntries(
      Object.entries(view.record.conductors).map(([id, each]) => [
        id,
        ends[`${id}-end`]?.role === 'line' ? { ...each, insulation: 'grey' as const } : each,
      ]),
    )
    const routed = routeBox(boxView({ ...view.record, conductors }, 'box')!, here)
    expect(routed.ok && routed.value.remarks.map(({ as }) => as)).toEqual(['yellow'])
    const grey = view.ends.find(({ conductor }) => conductor.insulation === 'grey')!
    const cost = (loadOnNeutralColour: boolean, net: string) => {
      const seen = { view: { ...view, region: { ...ISLANDS, loadOnNeutralColour } }, each: grey }
      return carryingCost(
        { conductorId: grey.conductor.id, a: seen, b: seen } as Runner,
        net,
        here.routeCosts,
      )
    }
    expect(cost(false, 'load:light')).toBe(Infinity)
    expect(cost(true, 'load:light')).toBeLessThan(Infinity)
    expect(cost(false, 'line:circuit-7')).toBeLessThan(Infinity)
  })
})
