import type { Control } from '@/demo/builder'
import { bareJob, fedAtTheSwitch, strand } from '@/demo/usual'
import type { JobRecord } from '@/core/model/record'

const light: Control = {
  group: 'light',
  name: 'Bath light',
  old: 'old-switch',
  want: 'presence',
  lamps: [{ kind: 'led', wattsEach: 9, count: 2, dimmable: 'yes', powerFactor: 0.9 }],
}
const fan: Control = {
  group: 'fan',
  name: 'Bath fan',
  old: 'old-switch',
  want: 'countdown',
  lamps: [{ kind: 'fan-motor', wattsEach: 40, count: 1, horsepower: 0.05 }],
}

/** A box of two gangs, a light and a fan worked from it alone. */
export function bathOf(
  more: { readonly depth?: number; readonly volume?: number; readonly wants?: boolean } = {},
): JobRecord {
  const job = bareJob('bath')
  const [feed] = fedAtTheSwitch(true)
  const lampCable = (name: string, colour: 'black' | 'red', group: string) => ({
    name,
    entry: 'top' as const,
    far: 'luminaire' as const,
    strands: [
      strand(colour, 'loose', 'switched-load', { group }),
      strand('white', 'joint:whites', 'neutral'),
      strand('bare', 'joint:grounds', 'ground'),
    ],
  })
  job.box({
    id: 'box',
    room: 'room',
    name: 'By the door',
    breakers: ['7'],
    box: {
      gangs: 2,
      depthMillimetres: more.depth ?? 90,
      volumeCubicInches: more.volume ?? 40,
    },
    controls:
      more.wants === false
        ? [
            { ...light, want: null },
            { ...fan, want: null },
          ]
        : [light, fan],
    cables: [
      { ...feed!, strands: feed!.strands.map(each => ({ ...each, on: 'loose' })) },
      lampCable('B', 'black', 'light'),
      lampCable('C', 'red', 'fan'),
    ],
  })
  job.proveRoles('box')
  return job.record()
}
