import type { Program } from '@/core/model/light-program'
import type { PlanOfRoom } from '@/core/model/floor-plan'
import { ALONE } from '@/core/model/placed'
import { BLANK } from '@/core/model/blank-rows'
import { basisOf } from '@/core/identify'
import { boxView, type BoxView } from '@/core/job/box-view'
import type { EntityName, JobRow, Row } from '@/core/model/entities'
import { emptyRecord, type JobRecord } from '@/core/model/record'
import { regionOf } from '@/core/model/regions'
import type { CableEntry, FarEnd, Gauge, Insulation, Role, RoomKind, Sheath } from '@/core/model/vocabulary'
import { atWork } from './at-work'

/** One conductor as found: its insulation, where it sits here, and what it is taken for. */
export interface Strand {
  readonly insulation: Insulation
  /** `upper` or another terminal of the old device, `joint:NAME`, `cap` or `loose`. */
  readonly on: string
  readonly role?: Role
  readonly gauge?: Gauge
  readonly metal?: 'copper' | 'aluminium'
  readonly group?: string
  readonly circuit?: string
}

export interface CableAsFound {
  readonly name: string
  readonly entry: CableEntry
  readonly far: FarEnd
  readonly sheath?: Sheath
  /** The lamp it was seen to lead to, where no role in it says so. */
  readonly farLoad?: string
  readonly strands: readonly Strand[]
}

/** One conductor of a cable between two boxes: where it sits at each end. */
export interface RunStrand extends Omit<Strand, 'on'> {
  readonly on: readonly [from: string, to: string]
}

/** A cable between two boxes of the job, seen at both ends. */
export interface RunAsFound {
  readonly name: string
  readonly from: string
  readonly to: string
  /** Where it enters the first box, and the second. */
  readonly entries?: readonly [CableEntry, CableEntry]
  readonly sheath?: Sheath
  readonly strands: readonly RunStrand[]
}

export interface BoxAsFound {
  readonly id: string
  readonly room: string
  readonly name: string
  readonly breakers: readonly string[]
  readonly basis?: 'label' | 'reading'
  readonly box?: Partial<Omit<Row<'boxes'>, 'id' | 'roomId' | 'name'>>
  /** One a gang: the old device, what it controls, what is wanted. */
  readonly controls: readonly Control[]
  readonly cables: readonly CableAsFound[]
  /** Pigtails found in the box: joint name to `terminal`, `gang.terminal`, or `box`. */
  readonly pigtails?: readonly (readonly [joint: string, to: string])[]
}

export interface Control {
  readonly group: string
  readonly name: string
  readonly old: string | null
  readonly want?: Row<'groups'>['want']
  readonly lamps?: readonly (Partial<Row<'loads'>> & Pick<Row<'loads'>, 'kind' | 'wattsEach' | 'count'>)[]
  readonly choice?: string
  /** On one strap or plate with the one before it. */
  readonly shares?: boolean
}

/** Roles that two readings do not show. */
const NOT_READ: readonly Role[] = ['spare', 'traveller']

const OPENED = Date.parse('2026-03-02T08:00:00.000Z')

/** Builds a job the way a crew would: what was seen, then read, then done, one thing after another. */
export function jobBuilder(job: JobRow) {
  const tables = emptyRecord(job) as unknown as Record<EntityName, Record<string, unknown>>
  const region = regionOf(job.regionId)
  let seq = 0
  let positions = 0
  /** What was found of conductors, by their ends. */
  const found = new Map<string, { readonly role: Role; readonly proof: 'proven' | 'indicated' }>()
  const put = <Name extends EntityName>(name: Name, row: Row<Name>) => {
    if (tables[name][row.id]) throw new Error(`${name} ${row.id} stands twice`)
    tables[name] = { ...tables[name], [row.id]: row }
  }
  const moment = () => ({ ...ALONE, seq: ++seq, at: new Date(OPENED + seq * 45_000).toISOString() })
  /** A record of its own each time: what was handed out is never changed. What was found rests on all of it. */
  const record = () => {
    const seen = { ...tables } as unknown as JobRecord
    const findings = [...found].map(([endId, what]) => {
      const { boxId } = seen.ends[endId]!
      return { id: `found-${endId}`, endId, ...what, basis: basisOf(seen, boxId) }
    })
    return {
      ...seen,
      findings: { ...seen.findings, ...Object.fromEntries(findings.map(each => [each.id, each])) },
    }
  }
  const view = (boxId: string): BoxView => boxView(record(), boxId)!

  /** `at`: where it lies on its floor, column and row. */
  const room = (
    id: string,
    name: string,
    floor: string,
    kind: RoomKind = 'not-said',
    at: readonly [number, number] | null = null,
  ) =>
    put('rooms', {
      ...{ id, name, floor, kind, position: ++positions },
      planColumn: at && at[0],
      planRow: at && at[1],
    })

  const plans = (ofRooms: Readonly<Record<string, PlanOfRoom>>) => {
    for (const [roomId, plan] of Object.entries(ofRooms)) put('plans', { id: `plan-${roomId}`, roomId, plan })
  }

  const programs = (ofPlaces: Readonly<Record<string, Program>>) => {
    for (const [placeId, program] of Object.entries(ofPlaces))
      put('programs', { id: `program-${placeId}`, placeId, program })
  }

  const circuit = (breaker: string, label: string, ratedAmps: number, more: Partial<Row<'circuits'>> = {}) =>
    put('circuits', {
      id: `circuit-${breaker}`,
      breaker,
      label,
      poles: 1,
      ratedAmps,
      protection: 'none',
      labelHolds: 'not-known',
      sharedNeutralWithId: null,
      handleWithId: null,
      note: '',
      ...more,
    })

  const box = (found: BoxAsFound) => {
    put('boxes', {
      id: found.id,
      roomId: found.room,
      name: found.name,
      kind: 'control',
      gangs: found.controls.filter(({ shares }) => !shares).length || 1,
      material: 'plastic',
      volumeCubicInches: 20,
      volumeBasis: 'marked',
      depthMillimetres: 76,
      setBackMillimetres: 0,
      surface: 'plaster',
      location: 'dry',
      innerClamps: false,
      fittingKinds: 0,
      ringCubicInches: null,
      hidden: false,
      freeLengthMillimetres: null,
      plate: '',
      bonded: 'not-known',
      divided: 'not-known',
      recorded: true,
      note: '',
      position: ++positions,
      ...found.box,
    })
    for (const breaker of found.breakers)
      put('feeds', {
        id: `${found.id}-on-${breaker}`,
        boxId: found.id,
        circuitId: `circuit-${breaker}`,
        basis: found.basis ?? 'reading',
      })
    let gang = 0
    let part = 0
    found.controls.forEach((control, index) => {
      if (!control.shares) gang++
      part = control.shares ? part + 1 : 1
      controlOf(control, `${found.id}-${index + 1}`, { boxId: found.id, gang, part })
    })
    found.cables.forEach((cable, index) => cableOf(found, cable, index))
    found.pigtails?.forEach(([joint, to], index) => {
      const [gang, terminal] = to.includes('.') ? to.split('.') : ['1', to]
      put('pigtails', {
        id: `${found.id}-pigtail-${index + 1}`,
        jointId: `${found.id}-joint-${joint}`,
        deviceId: to === 'box' ? null : `${found.id}-${gang}-old`,
        terminal: to === 'box' ? null : terminal!,
        gauge: null,
      })
    })
  }

  const controlOf = (
    control: Control,
    placeId: string,
    where: Pick<Row<'places'>, 'boxId' | 'gang' | 'part'>,
  ) => {
    if (!tables.groups[control.group])
      put('groups', {
        id: control.group,
        name: control.name,
        want: control.want ?? null,
        behaves: 'not-known',
        everyPlace: 'yes',
        bypass: 'none',
        unworked: 'not-said',
      })
    put('places', { id: placeId, ...where, groupId: control.group, retired: false })
    if (control.old)
      put('devices', {
        id: `${placeId}-old`,
        placeId,
        modelId: control.old,
        testerShows: null,
        setAs: '',
        note: '',
      })
    if (control.choice) put('choices', { id: `${placeId}-new`, placeId, modelId: control.choice })
    control.lamps?.forEach((lamp, index) =>
      put('loads', {
        id: `${control.group}-lamp-${index + 1}`,
        groupId: control.group,
        name: control.name,
        dimmable: 'not-known',
        phase: 'not-known',
        amperesEach: null,
        voltAmperesEach: null,
        inrushAmperesEach: null,
        powerFactor: null,
        horsepower: null,
        metalLuminaire: 'no',
        longHours: false,
        isolatedAtId: null,
        ...lamp,
      }),
    )
  }

  const cableOf = (found: BoxAsFound, cable: CableAsFound, position: number) => {
    const cableId = `${found.id}-${cable.name.toLowerCase()}`
    put('cables', {
      id: cableId,
      boxId: found.id,
      name: cable.name,
      sheath: cable.sheath ?? 'nonmetallic',
      entry: cable.entry,
      far: cable.far,
      farBoxId: null,
      farEntry: null,
      farLoadId: cable.farLoad ?? null,
      pulled: false,
      position,
    })
    cable.strands.forEach((strand, index) => {
      const conductorId = conductorOf(cableId, strand, index)
      put('ends', { ...seatOf(found.id, strand.on), ...endOf(found.id, strand, conductorId) })
    })
  }

  const run = ({ name, from, to, entries = ['top', 'bottom'], sheath, strands }: RunAsFound) => {
    const cableId = `${from}-${name.toLowerCase()}`
    put('cables', {
      id: cableId,
      boxId: from,
      name,
      sheath: sheath ?? 'nonmetallic',
      entry: entries[0],
      far: 'box',
      farBoxId: to,
      farEntry: entries[1],
      farLoadId: null,
      pulled: false,
      position: 50,
    })
    strands.forEach((strand, index) => {
      const conductorId = conductorOf(cableId, strand, index)
      put('ends', { ...seatOf(from, strand.on[0]), ...endOf(from, strand, conductorId) })
      const far = { ...seatOf(to, strand.on[1]), ...endOf(to, strand, conductorId) }
      put('ends', { ...far, id: `${conductorId}-far` })
    })
  }

  const conductorOf = (cableId: string, strand: Omit<Strand, 'on'>, index: number): string => {
    const id = `${cableId}-${strand.insulation}-${index + 1}`
    put('conductors', {
      id,
      cableId,
      insulation: strand.insulation,
      markedAs: null,
      gauge: strand.gauge ?? region.usualGauge,
      stranding: 'solid',
      metal: strand.metal ?? 'copper',
      faded: false,
      unfit: false,
      wish: null,
      position: index,
    })
    return id
  }

  const seatOf = (boxId: string, on: string) => {
    const loose = { deviceId: null, terminal: null, jointId: null }
    if (on === 'cap' || on === 'loose') return { ...loose, seat: on } as const
    if (on.startsWith('joint:')) {
      const jointId = `${boxId}-${on.replace(':', '-')}`
      if (!tables.joints[jointId])
        put('joints', { id: jointId, boxId, connector: 'twist-on', bareShows: false })
      return { ...loose, seat: 'joint', jointId } as const
    }
    const [gang, terminal] = on.includes('.') ? on.split('.') : ['1', on]
    return { ...loose, seat: 'terminal', deviceId: `${boxId}-${gang}-old`, terminal: terminal! } as const
  }

  const endOf = (boxId: string, strand: Omit<Strand, 'on'>, conductorId: string) => ({
    id: `${conductorId}-end`,
    conductorId,
    boxId,
    role: strand.role ?? null,
    roleCircuitId: strand.circuit ? `circuit-${strand.circuit}` : null,
    roleGroupId: strand.group ?? null,
    seenAtSheath: region.groundColours.includes(strand.insulation),
  })

  const read = (boxId: string, reading: Partial<Row<'readings'>>) => {
    const id = `${boxId}-reading-${seq + 1}`
    put('readings', {
      id,
      boxId,
      ...moment(),
      ...BLANK.readings,
      value: region.nominalVolts,
      switchPosition: 'separated',
      stand: (reading.switchPosition ?? 'separated') === 'separated' ? 'this-box' : 'as-found',
      ...reading,
    })
    return id
  }

  /** Two readings for every role of a box, as a careful person takes them, and that they were found proven. */
  const proveRoles = (boxId: string) => {
    const ends = view(boxId).ends
    const ground = ends.find(each => each.end.role === 'ground')
    const hot = ends.find(each => each.end.role === 'line' || each.end.role === 'loop-feed')
    const toGround = ground
      ? { toEndId: ground.end.id }
      : { reference: 'extension lead from a proven receptacle' }
    const asFound = { switchPosition: 'not-known' as const }
    for (const { end } of ends) {
      const readings =
        end.role === 'switched-load' || end.role === 'loop-return'
          ? [
              { ...toGround, value: 0, switchPosition: 'off' as const },
              { ...toGround, value: region.nominalVolts, switchPosition: 'on' as const },
            ]
          : end.role === 'neutral' || end.role === 'ground'
            ? [1, 2].map(time => ({ ...asFound, toEndId: hot!.end.id, value: region.nominalVolts - time }))
            : end.role === null || NOT_READ.includes(end.role)
              ? []
              : [1, 2].map(time => ({ ...asFound, ...toGround, value: region.nominalVolts - time }))
      for (const each of readings) read(boxId, { fromEndId: end.id, ...each })
      const isTold = end.role !== 'neutral' || ends.some(each => each.end.seenAtSheath)
      if (readings.length > 0) foundAs(end.id, end.role!, isTold ? 'proven' : 'indicated')
    }
  }

  const foundAs = (endId: string, role: Role, proof: 'proven' | 'indicated') =>
    found.set(endId, { role, proof })

  /** The lights of a box were seen to answer each time their switches were worked. */
  const lightsAnswer = (boxId: string) => {
    const groups = view(boxId).places.map(({ group }) => [group.id, { ...group, behaves: 'answers' }])
    tables.groups = { ...tables.groups, ...Object.fromEntries(groups) }
  }

  const crew = atWork({
    put,
    read,
    view,
    moment,
    unlock: circuitId => {
      const hanging = Object.values(record().locks).filter(each => each.circuitId !== circuitId)
      tables.locks = Object.fromEntries(hanging.map(each => [each.id, each]))
    },
    keyWith: job.electrician || 'Electrician',
  })

  /** Nobody has read these boxes yet: their conductors have no roles. */
  const unread = (...boxIds: string[]) => {
    const forgotten = Object.values(record().ends)
      .filter(({ boxId }) => boxIds.includes(boxId))
      .map(end => [end.id, { ...end, role: null, roleCircuitId: null, roleGroupId: null }])
    tables.ends = { ...tables.ends, ...Object.fromEntries(forgotten) }
  }

  return {
    room,
    plans,
    programs,
    circuit,
    box,
    run,
    read,
    proveRoles,
    foundAs,
    lightsAnswer,
    ...crew,
    unread,
    put,
    record,
    view,
  }
}
