import { checkJob, checkLight, placesOf, raisedDefects, type Verdict } from '@/core/check'
import { parseJobFile } from '@/core/format/job-file'
import { boxView, type BoxView } from '@/core/job/box-view'
import { tiedSets } from '@/core/job/tied'
import { rowsOf, type JobRecord } from '@/core/model/record'
import { fault } from '@/core/model/result'
import type { Trade } from '@/core/model/trade'
import { prove } from '@/core/prove'
import { foundCircuit, plannedCircuit, routeBox } from '@/core/route'
import { conversation, identifyBoxes, type IdentifyConversation } from './identify'
import { bad, type Answer } from './outcome'
import { readPoint } from './read'
import { planVerb, routeVerb } from './route'
import { aimVerb } from './aim'
import { programVerb } from './program'
import { fromJson } from '@/core/format/json'
import { JOB_FILE_FORMAT } from '@/core/format/schemas'
import { SETUP_VERBS } from './setup'

const USAGE =
  'every-room aim|check|identify|plan|prove|route|validate FILE [--box ID]; every-room program FILE --year YEAR [--box ID]; every-room aim|energy|presence|program|sun FILE; every-room identify FILE --box ID --interactive; every-room read FILE --at POINT --with INSTRUMENT'

/** The whole of the command but for reading the file and printing: the same input gives the same answer. */
export function answer(
  verb: string | undefined,
  file: string | undefined,
  source: string | null,
  rest: readonly string[],
  trade: Trade,
): Answer {
  const asked = (verb === 'aim' || verb === 'program') && isJob(source) ? undefined : SETUP_VERBS[verb ?? '']
  if (asked && file !== undefined)
    return source === null ? bad(fault('/', 'no-such-file', `cannot read ${file}`)) : asked(source, trade)
  const run = VERBS[verb ?? '']
  if (!run || file === undefined) return bad(fault('/', 'usage', USAGE))
  const opened = openedFile(file, source, rest)
  return opened.ok ? run(opened.record, opened.views, trade, rest) : opened.answer
}

/** Some verbs are asked of a file of their own as well as of a job. */
const isJob = (source: string | null): boolean => {
  const read = fromJson(source ?? '')
  return read.ok && (read.value as { format?: unknown } | null)?.format === JOB_FILE_FORMAT
}

/** `identify --interactive`: a conversation, or an answer that says why there is none. */
export function converse(
  file: string,
  source: string | null,
  rest: readonly string[],
  trade: Trade,
):
  | { readonly ok: true; readonly value: IdentifyConversation }
  | { readonly ok: false; readonly answer: Answer } {
  const opened = openedFile(file, source, rest)
  return opened.ok ? conversation(opened.record, opened.views, trade) : opened
}

function openedFile(file: string, source: string | null, rest: readonly string[]) {
  const no = (answer: Answer) => ({ ok: false as const, answer })
  if (source === null) return no(bad(fault('/', 'no-such-file', `cannot read ${file}`)))
  const parsed = parseJobFile(source)
  if (!parsed.ok) return no({ code: 2, output: { ok: false, faults: parsed.faults } })
  const { record } = parsed.value
  const boxId = optionOf(rest, '--box')
  if (boxId !== null && !record.boxes[boxId])
    return no(bad(fault('/boxes', 'no-such-row', `there is no box ${boxId}`)))
  const views = rowsOf(record, 'boxes')
    .filter(box => boxId === null || box.id === boxId)
    .map(box => boxView(record, box.id)!)
  return { ok: true as const, record, views }
}

function optionOf(rest: readonly string[], name: string): string | null {
  const at = rest.indexOf(name)
  return at < 0 ? null : (rest[at + 1] ?? null)
}

type Verb = (record: JobRecord, views: readonly BoxView[], trade: Trade, rest: readonly string[]) => Answer

/** The file reads; its defects raised by rule are listed beside the counts. */
const validate: Verb = (record, views, trade) => {
  const defects = views.flatMap(view =>
    raisedDefects(view, trade).map(each => ({ boxId: view.box.id, ...each })),
  )
  const counts = { rooms: Object.keys(record.rooms).length, boxes: views.length, defects: defects.length }
  return { code: 0, output: { ok: true, job: record.job.id, counts, defects } }
}

/**
 * Every device for every place, and every set for a light of several places. A no: a light for which nothing fits as it
 * is, by a device of its own or by a set.
 */
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
  const several = new Set(
    views.flatMap(view => view.places.filter(each => each.placesInGroup > 1).map(({ group }) => group.id)),
  )
  const lights = [...several].sort().map(groupId => ({
    groupId,
    placeIds: placesOf(record, groupId).map(({ place }) => place.place.id),
    sets: checkLight(record, groupId, trade).map(({ set, verdict, ofPlaces, ofLight, cures, settledBy }) => ({
      kind: set.kind,
      devices: set.members.map(model => model?.id ?? null),
      verdict,
      ofPlaces,
      ofLight,
      cures,
      settledBy,
    })),
  }))
  const fits = ({ verdict }: { readonly verdict: Verdict }) => verdict === 'fits'
  const ofSeveral = new Set(lights.flatMap(({ placeIds }) => placeIds))
  const none =
    places.some(({ placeId, devices }) => !ofSeveral.has(placeId) && !devices.some(fits)) ||
    lights.some(({ sets }) => !sets.some(fits))
  return { code: none ? 1 : 0, output: { ok: !none, places, lights } }
}

/**
 * Each piece of wiring that hangs together as found, and each box as planned where a device is chosen. A
 * no: a property broken in a plan.
 */
const proveVerb: Verb = (record, views, trade) => {
  const asked = new Set(views.map(view => view.box.id))
  const circuits = tiedSets(record)
    .filter(set => set.some(view => asked.has(view.box.id)))
    .map(set => {
      const found = foundCircuit(set, trade)
      return {
        boxIds: set.map(view => view.box.id),
        found: found.ok ? prove(found.value) : { kind: 'not-decided', faults: found.faults },
      }
    })
  const boxes = views.map(view => {
    const routed = routeBox(view, trade)
    const chosen = view.places.some(place => place.choice)
    return {
      boxId: view.box.id,
      planned: !chosen
        ? null
        : routed.ok
          ? prove(plannedCircuit(view, routed.value, trade))
          : { kind: 'not-decided', faults: routed.faults },
    }
  })
  const refuted = boxes.some(box => box.planned && box.planned.kind !== 'proven')
  return { code: refuted ? 1 : 0, output: { ok: !refuted, circuits, boxes } }
}

/** What an instrument shows in the wiring as found. A no: a test that must not be made. */
const readVerb: Verb = (record, views, trade, rest) => readPoint(record, views, trade, rest)

const VERBS: Readonly<Record<string, Verb>> = {
  validate,
  check,
  identify: identifyBoxes,
  prove: proveVerb,
  route: routeVerb,
  plan: planVerb,
  read: readVerb,
  aim: aimVerb,
  program: (record, views, trade, rest) => programVerb(record, views, trade, optionOf(rest, '--year')),
}
