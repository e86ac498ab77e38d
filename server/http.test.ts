import { describe, expect, it } from 'vitest'
import { answered, bodyOf, isOwn, log } from './http'

const request = (headers: Record<string, string>, body?: string) =>
  new Request('http://127.0.0.1:3000/api/jobs', { method: 'POST', headers, body })

describe('who may write', () => {
  it.each([
    [{ host: '127.0.0.1:3000' }, true],
    [{ host: '127.0.0.1:3000', origin: 'http://127.0.0.1:3000' }, true],
    [{ host: '127.0.0.1:3000', origin: 'http://127.0.0.1:3001' }, false],
    [{ host: '127.0.0.1:3000', origin: 'https://elsewhere.example' }, false],
    [{ host: '127.0.0.1:3000', origin: 'null' }, false],
  ])('%j: %s', (headers, own) => {
    expect(isOwn(request(headers as Record<string, string>))).toBe(own)
  })
})

describe('bodies', () => {
  it('are read, but not beyond their limit', async () => {
    expect(await bodyOf(request({}, '{"a":1}'))).toBe('{"a":1}')
    expect(await bodyOf(request({ 'content-length': String(9 * 1024 * 1024) }, 'x'))).toBeNull()
    expect(await bodyOf(request({}, 'x'.repeat(8 * 1024 * 1024 + 1)))).toBeNull()
  })
})

describe('faults of ours', () => {
  it('are answered without their text', async () => {
    log.level = 'silent'
    const answer = await answered(async () => {
      throw new Error('password in here')
    })
    expect(answer.status).toBe(500)
    expect(await answer.text()).toBe('{"kind":"server-fault"}')
  })
})
