import { describe, expect, it } from 'vitest'
import type { CableAsFound } from '@/demo/builder'
import { bareJob, strand } from '@/demo/usual'
import { circuitsOf, ONLY_SUPPLY } from './circuits'

type Of = string | undefined

/** What is said in a box of two lights and two circuits: its feeds, and the strands of each cable. */
interface Said {
  readonly feeds: readonly string[]
  readonly seven?: { readonly hot?: Of; readonly neutral?: Of }
  readonly nine?: { readonly hot?: Of; readonly neutral?: Of }
  /** The neutral beside the switched conductor of the hall light; none in its cable where null. */
  readonly beside?: Of | null
  /** Where its switched conductor and the hot of 9 sit. */
  readonly load?: string
  readonly hotOfNine?: string
  readonly shared?: boolean
}

function boxOf({ feeds, seven = {}, nine = {}, beside, load = 'loose', hotOfNine = 'loose', shared }: Said) {
  const job = bareJob('whose', { breakers: ['7', '9'] })
  const cable = (
    name: string,
    far: 'panel' | 'luminaire',
    strands: CableAsFound['strands'],
  ): CableAsFound => ({
    name,
    far,
    entry: 'bottom',
    strands,
  })
  job.box({
    id: 'box',
    room: 'room',
    name: 'Box',
    breakers: feeds,
    box: { gangs: 2 },
    controls: [
      { group: 'hall', name: 'Hall light', old: 'old-switch' },
      { group: 'bath', name: 'Bath light', old: 'old-switch' },
    ],
    cables: [
      cable('P7', 'panel', [
        strand('black', 'loose', 'line', { circuit: seven.hot }),
        strand('white', 'loose', 'neutral', { circuit: seven.neutral }),
      ]),
      cable('P9', 'panel', [
        strand('black', hotOfNine, 'line', { circuit: nine.hot }),
        strand('white', 'loose', 'neutral', { circuit: nine.neutral }),
      ]),
      cable('L', 'luminaire', [
        strand('black', load, 'switched-load', { group: 'hall' }),
        ...(beside === null ? [] : [strand('white', 'loose', 'neutral', { circuit: beside })]),
      ]),
    ],
  })
  const view = job.view('box')
  const { record } = view
  const circuits = shared
    ? {
        ...record.circuits,
        'circuit-7': { ...record.circuits['circuit-7']!, sharedNeutralWithId: 'circuit-9' },
      }
    : record.circuits
  const told = circuitsOf([{ ...view, record: { ...record, circuits } }])
  const of = (name: string) => told.of(view.ends.find(each => each.name === name)!)
  return { told, of }
}

describe('whose a conductor and a light are', () => {
  it('one line, one breaker; one line, none known', () => {
    const one = bareJob('one')
    const strands = [strand('black', 'loose', 'line'), strand('white', 'loose', 'neutral')]
    const box = (breakers: readonly string[], id: string) =>
      one.box({
        id,
        room: 'room',
        name: id,
        breakers,
        controls: [{ group: `light-${id}`, name: 'Light', old: 'old-switch' }],
        cables: [{ name: 'P', far: 'panel', entry: 'bottom', strands }],
      })
    box(['7'], 'known')
    box([], 'unknown')
    const known = one.view('known')
    expect(known.ends.map(each => circuitsOf([known]).of(each))).toEqual(['circuit-7', 'circuit-7'])
    expect(circuitsOf([known]).ofLight('light-known')).toEqual({ kind: 'known', circuitId: 'circuit-7' })
    const unknown = one.view('unknown')
    expect(unknown.ends.map(each => circuitsOf([unknown]).of(each))).toEqual([ONLY_SUPPLY, ONLY_SUPPLY])
  })

  it('two lines and one breaker known: neither is taken for it', () => {
    const { of, told } = boxOf({ feeds: ['7'] })
    expect([of('P7 black'), of('P9 black'), of('L white')]).toEqual([null, null, null])
    expect(told.ofLight('hall').kind).toBe('not-said')
  })

  it('the neutral in the cable of a hot is of its circuit, and a hot beside a neutral', () => {
    const { of } = boxOf({ feeds: ['7', '9'], seven: { hot: '7' }, nine: { neutral: '9' } })
    expect([of('P7 white'), of('P9 black'), of('L white')]).toEqual(['circuit-7', 'circuit-9', null])
  })

  it('a light is of the circuit of the neutral beside its switched conductor, not of the first', () => {
    const { told } = boxOf({ feeds: ['7', '9'], seven: { hot: '7' }, nine: { hot: '9' }, beside: '9' })
    expect(told.ofLight('hall')).toEqual({ kind: 'known', circuitId: 'circuit-9' })
  })

  it('no neutral beside it and nothing on its old device: asked, of both', () => {
    const { told } = boxOf({ feeds: ['7', '9'], seven: { hot: '7' }, nine: { hot: '9' }, beside: null })
    const whose = told.ofLight('hall')
    expect(whose.kind === 'not-said' && whose.among.map(({ breaker }) => breaker)).toEqual(['7', '9'])
  })

  it('its hot as found is of 9 and the neutral beside it of 7: the two are at odds', () => {
    const { told } = boxOf({
      feeds: ['7', '9'],
      seven: { hot: '7' },
      nine: { hot: '9' },
      beside: '7',
      load: '1.lower',
      hotOfNine: '1.upper',
    })
    expect(told.ofLight('hall')).toEqual({ kind: 'at-odds', circuits: ['circuit-7', 'circuit-9'] })
  })

  it('two that share a neutral: the neutral has one name and does not tell which hot; the hot on its device does', () => {
    const loose = boxOf({ feeds: ['7', '9'], seven: { hot: '7' }, nine: { hot: '9' }, shared: true })
    expect([loose.of('P7 white'), loose.of('P9 white'), loose.of('L white')]).toEqual([
      'circuit-7',
      'circuit-7',
      'circuit-7',
    ])
    expect(loose.told.ofLight('hall').kind).toBe('not-said')
    const on = boxOf({
      feeds: ['7', '9'],
      seven: { hot: '7' },
      nine: { hot: '9' },
      load: '1.lower',
      hotOfNine: '1.upper',
      shared: true,
    })
    expect(on.told.ofLight('hall')).toEqual({ kind: 'known', circuitId: 'circuit-9' })
  })
})
