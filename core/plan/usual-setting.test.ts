import { describe, expect, it } from 'vitest'
import { trade } from '@/catalogue'
import { usualBox } from '@/demo/usual'
import { deviceNamed } from '../model/trade'
import { usualValue } from '.'

const usual = (model: string, setting: string, rule?: string) =>
  usualValue(
    usualBox(rule ? { rules: { 'presence-on': rule } } : {}).record,
    deviceNamed(trade, model)!.settings.find(({ id }) => id === setting)!,
  )

describe('what a setting is usually made to', () => {
  it('as the device comes, or as the house rule has it', () => {
    expect(usual('sensor-neutral', 'mode')).toBe('by itself')
    expect(usual('sensor-neutral', 'mode', 'by-hand')).toBe('by hand')
    expect(usual('sensor-neutral', 'mode', 'by-itself')).toBe('by itself')
  })

  it('other settings, and values a device does not have, are left as it comes', () => {
    for (const model of trade.devices)
      for (const setting of model.settings) {
        const value = usual(model.id, setting.id, 'by-hand')
        expect(setting.values).toContain(value)
        if (setting.id !== 'mode' || !setting.values.includes('by hand')) expect(value).toBe(setting.initial)
      }
  })
})
