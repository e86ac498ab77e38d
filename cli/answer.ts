import { checkJob, raisedDefects } from '@/core/check'
import { parseJobFile } from '@/core/format/job-file'
import { boxView, type BoxView } from '@/core/job/box-view'
import { rowsOf, type JobRecord } from '@/core/model/record'
import { fault, type Fault } from '@/core/model/result'
import type { Trade } from '@/core/model/trade'
import { prove } from '@/core/prove'
import { foundCircuit, plannedCircuit, routeBox } from '@/core/route'

export interface Answer {
  /** 0 yes, 1 a *no*, 2 bad input. */
  readonly code: 0 | 1 | 2
  readonly output: unknown
}

const USAGE = 'every-room check|prove|validate FILE [--box ID]'

/** The whole of the command but for reading the file and printing: the same input gives the same answer. */
export function answer(
  verb: string | undefined,
  file: string | undefined,
  source: string | null,
  rest: readonly string[],
  trade: Trade,
): Answer {
  const run = VERBS[verb ?? '']
  if (!run || file === undefined) return bad(fault('/', 'usage', USAGE))
  if (source === null) return bad(fault('/', 'no-such-file', `cannot read ${file}`))
  const parsed = parseJobFile(source)
  if (!parsed.ok) return { code: 2, output: { ok: false, faults: parsed.faults } }
  const { record } = parsed.value
  const boxId = optionOf(rest, '--box')
  if (boxId !== null && !record.boxes[boxId])
    return bad(fault('/boxes', 'no-such-row', `there is no box ${boxId}`))
  const views = rowsOf(record, 'boxes')
    .filter(box => boxId === null || box.id === boxId)
    .map(box => boxView(record, box.id)!)
  return run(record, views, trade)
}

const bad = (...faults: readonly Fault[]): Answer => ({ code: 2, output: { ok: false, faults } })

function optionOf(rest: readonly string[], name: string): string | null {
  const at = rest.indexOf(name)
  return at < 0 ? null : (rest[at + 1] ?? null)
}

type Verb = (record: JobRecord, views: readonly BoxView[], trade: Trade) => Answer

/** The file reads; its defects raised by rule are listed beside the counts. */
const validate: Verb = (record, views, trade) => {
  const defects = views.flatMap(view =>
    raisedDefects(view, trade).map(each => ({ boxId: view.box.id, ...each })),
  )
  const counts = { rooms: Object.keys(record.rooms).length, boxes: views.length, defects: defects.length }
  return { code: 0, output: { ok: true, job: record.job.id, counts, defects } }
}

/** Every device for every place. A no: a place for which nothing fits as it is. */
const check: Verb = (record, views, trade) => {
  const all = checkJob(record, trade)
  const places = views.flatMap(view =>
    view.places.map(({ place }) => ({
      placeId: place.id,
      boxId: view.box.id,
      devices: (all[place.id] ?? []).map(({ device, verdict, lines, cures, settledBy }) => ({
        device: device.id,
        verdict,
        lines,
        cures,
        settledBy,
      })),
    })),
  )
  const none = places.some(place => place.devices.every(device => device.verdict !== 'fits'))
  return { code: none ? 1 : 0, output: { ok: !none, places } }
}

/** Each box as found, and as planned where a device is chosen. A no: a property broken in a plan. */
const proveVerb: Verb = (_record, views, trade) => {
  const boxes = views.map(view => {
    const found = foundCircuit(view, trade)
    const routed = routeBox(view, trade)
    const chosen = view.places.some(place => place.choice)
    return {
      boxId: view.box.id,
      found: found.ok ? prove(found.value) : { kind: 'not-decided', faults: found.faults },
      planned: !chosen
        ? null
        : routed.ok
          ? prove(plannedCircuit(view, routed.value, trade))
          : { kind: 'not-decided', faults: routed.faults },
    }
  })
  const refuted = boxes.some(box => box.planned && box.planned.kind !== 'proven')
  return { code: refuted ? 1 : 0, output: { ok: !refuted, boxes } }
}

const VERBS: Readonly<Record<string, Verb>> = { validate, check, prove: proveVerb }
