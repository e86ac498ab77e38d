import { describe, expect, it } from 'vitest'
import { trade } from '@/catalogue'
import { usualBox } from '@/demo/usual'
import type { DeviceModel } from '../model/device'
import { checkPlace } from '.'

/* What starts at once: how many drivers, and the rush they take. */

describe('the rush at a start', () => {
  const lineAt = (
    deviceId: string,
    lamps: readonly (readonly [count: number, inrushAmperesEach: number | null, kind?: 'led' | 'tungsten'])[],
    sheet: Partial<DeviceModel> = {},
  ) => {
    const own = trade.devices.find(({ id }) => id === deviceId)!
    const changed = {
      ...trade,
      devices: trade.devices.map(each => (each === own ? { ...own, ...sheet } : each)),
    }
    const view = usualBox({
      lamps: lamps.map(([count, inrushAmperesEach, kind = 'led']) => ({
        kind,
        count,
        wattsEach: 5,
        dimmable: 'yes' as const,
        inrushAmperesEach,
      })),
    })
    return checkPlace(view, 'box-1', changed)
      .find(({ device }) => device.id === deviceId)!
      .lines.find(({ rule }) => rule === 'load-inrush')
  }

  it.each([
    // 80 A by the sheet.
    ['module-behind-switch', [[4, 20]], 'fits'],
    ['module-behind-switch', [[4, 20.1]], 'does-not-fit'],
    [
      'module-behind-switch',
      [
        [2, 20],
        [2, 25],
      ],
      'does-not-fit',
    ],
    [
      'module-behind-switch',
      [
        [1, 12],
        [3, 15, 'tungsten'],
      ],
      'fits',
    ],
    // What is read is too much already, whatever the rest takes.
    [
      'module-behind-switch',
      [
        [3, 30],
        [1, null],
      ],
      'does-not-fit',
    ],
    // Nobody has read them: the number of drivers stands for it, where the sheet gives one.
    ['module-behind-switch', [[3, null]], undefined],
    ['module-behind-switch', [[3, 10, 'tungsten']], undefined],
    ['switch-plain-15', [[40, 50]], undefined],
  ] as const)('%s with %j: %s', (deviceId, lamps, verdict) => {
    expect(lineAt(deviceId, lamps)?.verdict).toBe(verdict)
  })

  it('is not known where the sheet names no number of drivers either', () => {
    const found = lineAt(
      'module-behind-switch',
      [
        [3, 10],
        [1, null],
      ],
      { mostDrivers: undefined },
    )
    expect(found).toMatchObject({ verdict: 'not-known' })
    expect(found?.settledBy).toMatch(/inrush/)
  })
})

describe('drivers that start at once', () => {
  it.each([
    ['dimmer-led-150-two-wire', 10, 'fits'],
    ['dimmer-led-150-two-wire', 11, 'does-not-fit'],
    // Its sheet names none.
    ['switch-plain-15', 40, undefined],
  ] as const)('%s with %s of them', (deviceId, count, verdict) => {
    const view = usualBox({ lamps: [{ kind: 'led', count, wattsEach: 3, dimmable: 'yes' }] })
    const judged = checkPlace(view, 'box-1', trade).find(each => each.device.id === deviceId)!
    expect(judged.lines.find(({ rule }) => rule === 'load-drivers')?.verdict).toBe(verdict)
  })
})
