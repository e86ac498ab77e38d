import { expect, it } from 'vitest'
import { trade } from '@/catalogue'
import { bareJob, strand } from '@/demo/usual'
import { lot } from '@/testing/model/lot'
import { boxView } from '../../job/box-view'
import { raisedDefects } from '.'

it('a return on a switch is raised in whatever box it comes from, where it comes through (400 rows of boxes)', () => {
  const met = { raised: 0, hot: 0, parted: 0, unknown: 0 }
  for (let seed = 1; seed <= 400; seed++) {
    const draw = lot(seed)
    const count = 1 + draw(4)
    const source = (['neutral', 'line', 'spare'] as const)[draw(3)]!
    // The joint that is open, if any: what comes in does not go on there.
    const open = draw(3) === 0 ? draw(count) : -1
    const job = bareJob('row')
    for (let at = 0; at < count; at++) {
      const isLast = at === count - 1
      const on = at === open ? 'loose' : isLast ? '1.upper' : 'joint:through'
      job.box({
        id: `box${at}`,
        room: 'room',
        name: `Box ${at}`,
        breakers: ['7'],
        controls: isLast ? [{ group: 'light', name: 'Light', old: 'old-switch' }] : [],
        cables: [
          ...(at === 0
            ? [
                {
                  name: 'P',
                  entry: 'bottom' as const,
                  far: 'panel' as const,
                  strands: [strand('white', on, source)],
                },
              ]
            : []),
          ...(isLast
            ? [
                {
                  name: 'L',
                  entry: 'top' as const,
                  far: 'luminaire' as const,
                  strands: [strand('black', '1.lower', 'switched-load', { group: 'light' })],
                },
              ]
            : []),
        ],
      })
    }
    for (let at = 0; at + 1 < count; at++) {
      const into = at + 1 === open ? 'loose' : at + 1 === count - 1 ? '1.upper' : 'joint:through'
      job.run({
        name: `R${at}`,
        from: `box${at}`,
        to: `box${at + 1}`,
        strands: [{ insulation: 'white', on: ['joint:through', into], role: 'spare' }],
      })
    }
    const record = job.record()
    // Nobody has said what runs between the boxes.
    const ends = Object.fromEntries(
      Object.entries(record.ends).map(([id, end]) => [
        id,
        record.cables[record.conductors[end.conductorId]!.cableId]!.name.startsWith('R')
          ? { ...end, role: null }
          : end,
      ]),
    )
    const view = boxView({ ...record, ends }, `box${count - 1}`)!
    const found = raisedDefects(view, trade).filter(({ ruleId }) => ruleId.startsWith('switched-neutral'))
    const comes = open < 0
    expect([seed, found.length]).toEqual([seed, comes && source === 'neutral' ? 1 : 0])
    if (found.length > 0) {
      met.raised++
      expect(found[0]!.what).toMatch(
        count === 1 ? /^P white, a neutral, is switched/ : /is one metal with a neutral/,
      )
    } else met[!comes ? 'parted' : source === 'line' ? 'hot' : 'unknown']++
  }
  for (const [kind, times] of Object.entries(met)) expect([kind, times > 30]).toEqual([kind, true])
})
