import { valuesOf } from '@/core/model/setting'
import { describe, expect, it } from 'vitest'
import { trade } from '@/catalogue'
import { checkPlace, defectsIn } from '@/core/check'
import { dutiesOf } from '@/core/duties'
import { boxView, type BoxView } from '@/core/job/box-view'
import type { JobRecord } from '@/core/model/record'
import { regionOf } from '@/core/model/regions'
import { needWords, planBox, progressOf, testList } from '@/core/plan'
import { isolationOf } from '@/core/safety'
import type { Language } from '@/core/words/say'
import { quillbackRoad } from '@/demo/quillback'
import { saltpanQuay } from '@/demo/saltpan'

/** A language that sets every sentence between marks: what stands outside of them was never said. */
const MARKED: Language = {
  locale: 'en',
  // One that no sentence has, so that this is not the language of the source.
  terms: [['\u0000', '']],
  sentences: new Proxy(
    {},
    {
      get: (_, key) =>
        String(key)
          .split(' | ')
          .map(form => `«${form}»`)
          .join(' | '),
    },
  ),
}

/** Everything the core says of a box, by what it is of. */
function heardOf(view: BoxView): [string, string][] {
  const { steps, routed } = planBox(view, trade)
  return [
    ...steps.flatMap(({ key, says, why, holds }): [string, string][] =>
      [says, why, ...holds].map(each => [`step ${key}`, each]),
    ),
    ...(routed.ok ? [] : routed.faults.map(({ code, message }): [string, string] => [code, message])),
    ...progressOf(view, trade).stages.map(({ stage, missing }): [string, string] => [stage, missing]),
    ...defectsIn(view, trade).flatMap(({ key, what, raised }): [string, string][] =>
      raised ? [what, raised.cure, ...raised.parts].map(each => [key, each]) : [],
    ),
    ...dutiesOf(view).flatMap(({ id, says, because }): [string, string][] => [
      [id, says],
      [id, because],
    ]),
    ...isolationOf(view).needs.map((need): [string, string] => [need.kind, needWords(view, need)]),
    ...view.places.flatMap(place => [
      ...testList(view, place, trade).flatMap(({ key, says, expect: shows }): [string, string][] => [
        [key, says],
        [key, shows],
      ]),
      ...checkPlace(view, place.place.id, trade).flatMap(({ device, lines, cures, settledBy }) => [
        ...lines.flatMap(({ rule, says }): [string, string][] => [[`${device.id} ${rule}`, says]]),
        ...cures.map(({ id, says }): [string, string] => [`${device.id} ${id}`, says]),
        ...settledBy.map((says): [string, string] => [device.id, says]),
      ]),
    ]),
  ]
}

describe('what the core says', () => {
  it.each([quillbackRoad(), saltpanQuay()])('goes through the language of the job: $job.name', record => {
    const region = regionOf(record.job.regionId) as { language: Language }
    const own = region.language
    region.language = MARKED
    try {
      const unsaid = Object.keys(record.boxes).flatMap(boxId => {
        const view = boxView(structuredClone(record) as JobRecord, boxId)!
        return heardOf(view).filter(([, says]) => /\p{L}{3,}/u.test(outsideOfMarks(says, record)))
      })
      expect([...new Set(unsaid.map(([of, says]) => `${of}: ${says}`))].slice(0, 40)).toEqual([])
    } finally {
      region.language = own
    }
  })
})

/** What a person, or the sheet of a device, says in their own words. */
const named = new Map<JobRecord, readonly string[]>()
function namesIn(record: JobRecord): readonly string[] {
  let names = named.get(record)
  if (!names)
    named.set(
      record,
      (names = [
        ...trade.devices.flatMap(({ name, terminals, tests, settings, instructions }) => [
          name,
          ...terminals.map(({ word }) => word),
          ...tests.flatMap(({ says, expect: shows }) => [says, shows]),
          ...settings.flatMap(each => [each.name, each.why, ...valuesOf(each), ...each.how]),
          ...Object.values(instructions).filter(each => typeof each === 'string'),
        ]),
        ...Object.values(record).flatMap(table =>
          Object.values(table as object).flatMap(row =>
            row !== null && typeof row === 'object'
              ? Object.values(row as object).filter((each): each is string => typeof each === 'string')
              : [row as string],
          ),
        ),
      ]
        .filter(each => /[\p{Lu} ]/u.test(each) && each.length > 2)
        .sort((a, b) => b.length - a.length)),
    )
  return names
}

function outsideOfMarks(says: string, record: JobRecord): string {
  let left = says
  for (let before = ''; before !== left;) {
    before = left
    left = left.replace(/«[^«»]*»/g, '')
  }
  for (const each of namesIn(record)) left = left.replaceAll(each, '')
  return left.replace(/\d+ (AWG|mm²|in³)|\bLED\b/g, '')
}
