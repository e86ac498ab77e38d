import { describe, expect, it } from 'vitest'
import { trade } from '@/catalogue'
import { quillbackRoad } from '@/demo/quillback'
import { bareJob, fedAtTheSwitch, strand, switchLoop, usualBox } from '@/demo/usual'
import { boxView } from '../job/box-view'
import { tiedBoxes, tiedSets } from '../job/tied'
import { isHotRole } from '../model/roles'
import { parseCircuit, terminalPoint, type Circuit } from '../model/circuit'
import { compile, solve } from '../solve'
import { prove } from '../prove'
import { foundCircuit, plannedCircuit, routeBox, routedTogether } from '.'

const found = (given: Parameters<typeof usualBox>[0]): Circuit => {
  const circuit = foundCircuit([usualBox(given)], trade)
  if (!circuit.ok) throw new Error(circuit.faults[0]!.message)
  return circuit.value
}

const joinedTo = (circuit: Circuit, a: string, b: string) => {
  const compiled = compile(circuit)
  return compiled.net(a) === compiled.net(b)
}

describe('what lies beyond the box, by what the roles say', () => {
  it('fed at the switch: hot from its breaker, the lamp’s return through the box', () => {
    const circuit = found({})
    expect(joinedTo(circuit, 'end:box-a-black-1-end', 'panel:circuit-7:hot')).toBe(true)
    expect(joinedTo(circuit, 'end:box-a-white-2-end', 'panel:circuit-7:neutral')).toBe(true)
    expect(joinedTo(circuit, 'lamp:light-lamp-1:neutral', 'panel:circuit-7:neutral')).toBe(true)
    expect(joinedTo(circuit, 'lamp:light-lamp-1:hot', 'end:box-b-black-1-end')).toBe(true)
  })

  it('a switch loop: the return is at the luminaire, and the white brings the hot', () => {
    const circuit = found({ cables: switchLoop(true) })
    expect(joinedTo(circuit, 'end:box-a-white-1-end', 'panel:circuit-7:hot')).toBe(true)
    expect(joinedTo(circuit, 'lamp:light-lamp-1:neutral', 'panel:circuit-7:neutral')).toBe(true)
    expect(circuit.supplies).toHaveLength(1)
  })

  it('an onward cable feeds something that must stay alive', () => {
    const onward = {
      name: 'C',
      entry: 'top' as const,
      far: 'elsewhere' as const,
      strands: [strand('black', 'joint:hots', 'onward-feed'), strand('white', 'joint:whites', 'neutral')],
    }
    const circuit = found({ cables: [...fedAtTheSwitch(true), onward] })
    const load = circuit.loads.find(each => each.kind === 'onward')!
    expect(load.id).toBe('onward by cable C')
    expect(joinedTo(circuit, load.neutral, 'panel:circuit-7:neutral')).toBe(true)
    expect(joinedTo(circuit, load.hot, 'panel:circuit-7:hot')).toBe(false)
  })

  it('a metal luminaire is grounded through its own cable', () => {
    const lamps = [{ kind: 'led' as const, wattsEach: 9, count: 1, metalLuminaire: 'yes' as const }]
    const circuit = found({ lamps })
    expect(joinedTo(circuit, 'lamp:light-lamp-1:ground', 'panel:ground')).toBe(true)
  })

  it('a bonded metal box is on the ground, an unbonded one is not', () => {
    const metal = (bonded: 'yes' | 'no') => found({ box: { material: 'metal', bonded } })
    expect(joinedTo(metal('yes'), 'bond:box', 'panel:ground')).toBe(true)
    expect(joinedTo(metal('no'), 'bond:box', 'panel:ground')).toBe(false)
  })

  it('a conductor without a role leaves the circuit undecided, with its path', () => {
    const circuit = foundCircuit([usualBox({ cables: fedAtTheSwitch(false), proven: false })], trade)
    expect(!circuit.ok && circuit.faults.map(each => each.code)).toEqual(Array(6).fill('no-role'))
  })

  it('a device of an unknown kind leaves it undecided, with its path', () => {
    const { record } = usualBox()
    const devices = { 'box-1-old': { ...record.devices['box-1-old']!, modelId: 'crystal-ball' } }
    const circuit = foundCircuit([boxView({ ...record, devices }, 'box')!], trade)
    expect(!circuit.ok && circuit.faults).toMatchObject([
      { path: '/devices/box-1-old/modelId', code: 'unknown-device' },
    ])
  })

  it('two circuits that share a neutral are 180° apart on one neutral', () => {
    const record = quillbackRoad()
    const feeds = {
      ...record.feeds,
      second: { id: 'second', boxId: 'box-studio', circuitId: 'circuit-13', basis: 'reading' as const },
    }
    const studio = boxView({ ...record, feeds }, 'box-studio')!
    // Which of the two its hot is of, nobody said.
    const undecided = foundCircuit([studio], trade)
    expect(!undecided.ok && undecided.faults.map(({ code }) => code)).toContain('circuit-not-said')
    const ends = Object.fromEntries(
      Object.entries(record.ends).map(([id, end]) => [
        id,
        end.boxId === 'box-studio' && isHotRole(end.role) ? { ...end, roleCircuitId: 'circuit-13' } : end,
      ]),
    )
    const circuit = foundCircuit([boxView({ ...record, feeds, ends }, 'box-studio')!], trade)
    if (!circuit.ok) throw new Error('undecided')
    const [a, b] = circuit.value.supplies
    expect(a!.neutral).toBe(b!.neutral)
    expect(Math.abs(a!.phaseDegrees - b!.phaseDegrees)).toBe(180)
    const compiled = compile(circuit.value)
    const solved = solve(compiled, compiled.initial)
    expect(solved.potentials.between(compiled.net(a!.hot), compiled.net(b!.hot))).toBeCloseTo(240, 6)
  })

  it('a lead of what was found on which nothing is recorded is capped; one that holds a conductor is not', () => {
    const job = bareJob('leads')
    job.box({
      id: 'box',
      room: 'room',
      name: 'Box',
      breakers: ['7'],
      controls: [{ group: 'fan', name: 'Fan', old: 'old-dimmer' }],
      cables: [
        { name: 'A', far: 'panel', entry: 'bottom', strands: [strand('black', '1.line', 'line')] },
        { name: 'B', far: 'luminaire', entry: 'top', strands: [strand('black', '1.load', 'switched-load')] },
      ],
    })
    const circuit = foundCircuit([job.view('box')], trade)
    if (!circuit.ok) throw new Error(circuit.faults[0]!.message)
    const { devices, caps } = circuit.value
    const leads = devices[0]!.model.terminals.filter(({ joins }) => joins === 'lead').map(({ id }) => id)
    const capped = leads.filter(id => caps.includes(terminalPoint(devices[0]!.id, id)))
    expect(capped.length).toBeGreaterThan(0)
    expect(capped).toEqual(leads.filter(id => id !== 'line' && id !== 'load'))
    const bare = prove(circuit.value)
    expect(bare.kind === 'refuted' && bare.counterexamples.map(({ property }) => property)).not.toContain(
      'no-bare-end',
    )
  })

  it('every circuit, found or planned, passes the check of circuits', () => {
    const record = quillbackRoad()
    for (const id of Object.keys(record.boxes)) {
      const view = boxView(record, id)!
      const asFound = foundCircuit([view], trade)
      if (asFound.ok) expect(parseCircuit(asFound.value).ok).toBe(true)
      const routed = routeBox(view, trade)
      if (routed.ok) expect(parseCircuit(plannedCircuit(view, routed.value, trade)).ok).toBe(true)
    }
  })
})

describe('two controls in one box', () => {
  const view = boxView(quillbackRoad(), 'box-bath')!
  const routed = routeBox(view, trade)
  const plan = routed.ok ? routed.value : null

  it('are fed from one line joint by their leads', () => {
    const line = plan!.joints.find(joint => joint.netId.startsWith('line'))!
    expect(line.leads.map(lead => lead.placeId).sort()).toEqual(['box-bath-1', 'box-bath-2'])
    expect(line.endIds).toHaveLength(1)
  })

  it('each switch their own conductor, and share the neutral and the ground', () => {
    const nets = Object.keys(plan!.nets).sort()
    expect(nets).toEqual([
      'ground',
      'line:circuit-6',
      'load:bath-fan',
      'load:bath-light',
      'neutral:circuit-6',
    ])
  })

  it('the device that stays keeps its place in the plan', () => {
    expect(plan!.devices.map(device => [device.gang, device.isNew])).toEqual([
      [1, true],
      [2, false],
    ])
  })
})

describe('wiring that hangs together', () => {
  const record = quillbackRoad()

  it('is found from any of its boxes, and every box is in one piece', () => {
    const ids = (boxId: string) => tiedBoxes(record, boxId).map(view => view.box.id)
    expect(ids('box-stair-top')).toEqual(['box-stair-bottom', 'box-stair-middle', 'box-stair-top'])
    expect(ids('box-stair-middle')).toEqual(ids('box-stair-bottom'))
    expect(ids('box-hall')).toEqual(['box-hall'])
    const all = tiedSets(record).flatMap(set => set.map(view => view.box.id))
    expect(all.sort()).toEqual(Object.keys(record.boxes).sort())
  })

  it('a conductor seen at both ends runs between its boxes, and leads nowhere else', () => {
    const circuit = foundCircuit(tiedBoxes(record, 'box-stair-top'), trade)
    if (!circuit.ok) throw new Error('undecided')
    const { wires, loads, supplies } = circuit.value
    const run = wires.find(each => each.id === 'box-stair-bottom-b-red-1')!
    expect([run.a, run.b]).toEqual(['end:box-stair-bottom-b-red-1-end', 'end:box-stair-bottom-b-red-1-far'])
    expect([loads.length, supplies.length]).toEqual([1, 1])
    expect(joinedTo(circuit.value, 'lamp:stair-light-lamp-1:neutral', 'panel:circuit-4:neutral')).toBe(true)
  })

  it('two circuits in a box keep their own neutrals', () => {
    const circuit = foundCircuit(tiedBoxes(record, 'box-island'), trade)
    if (!circuit.ok) throw new Error('undecided')
    expect(joinedTo(circuit.value, 'lamp:hood-light-lamp-1:neutral', 'panel:circuit-5:neutral')).toBe(true)
    expect(joinedTo(circuit.value, 'lamp:kitchen-ceiling-lamp-1:neutral', 'panel:circuit-1:neutral')).toBe(
      true,
    )
    expect(joinedTo(circuit.value, 'panel:circuit-5:neutral', 'panel:circuit-1:neutral')).toBe(false)
  })

  it('a receptacle beside the switch is fed by pigtails', () => {
    const circuit = foundCircuit(tiedBoxes(record, 'box-bedside'), trade)
    if (!circuit.ok) throw new Error('undecided')
    const receptacle = circuit.value.loads.find(each => each.kind === 'receptacle')!
    expect(joinedTo(circuit.value, receptacle.hot, 'panel:circuit-8:hot')).toBe(true)
    expect(joinedTo(circuit.value, receptacle.neutral, 'panel:circuit-8:neutral')).toBe(true)
    expect(joinedTo(circuit.value, receptacle.ground!, 'panel:ground')).toBe(true)
  })

  it('a light of three places is planned as one: what stays is wired as it was', () => {
    const view = boxView(record, 'box-stair-top')!
    const together = routedTogether(view, trade)
    if (!together.ok) throw new Error(together.faults[0]!.message)
    expect(together.value.schemes.map(({ kind }) => kind)).toEqual(['two-way'])
    expect(together.value.cost).toBe(0)
    expect(together.value.boxes.map(each => each.view.box.id)).toEqual([
      'box-stair-bottom',
      'box-stair-middle',
      'box-stair-top',
    ])
    const routed = routeBox(view, trade)
    expect(routed.ok && routed.value).toBe(together.value.boxes[2]!.routed)
    const circuit = plannedCircuit(view, together.value.boxes[2]!.routed, trade)
    expect(circuit.devices).toHaveLength(3)
    expect(prove(circuit).kind).toBe('proven')
  })
})
