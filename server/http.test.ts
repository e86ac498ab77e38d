import { describe, expect, it } from 'vitest'
import { answered, bodyOf, log } from './http'

const request = (headers: Record<string, string>, body?: string) =>
  new Request('http://127.0.0.1:3000/api/jobs', { method: 'POST', headers, body })

describe('bodies', () => {
  it('are read, but not beyond their limit', async () => {
    expect(await bodyOf(request({}, '{"a":1}'))).toBe('{"a":1}')
    expect(await bodyOf(request({ 'content-length': String(9 * 1024 * 1024) }, 'x'))).toBeNull()
    expect(await bodyOf(request({}, 'x'.repeat(8 * 1024 * 1024 + 1)))).toBeNull()
    expect(await bodyOf(request({}, '“é”'))).toBe('“é”')
  })

  it('are cut off while they arrive, whatever length they were said to have', async () => {
    let sent = 0
    const endless = new ReadableStream({
      pull(controller) {
        sent += 65_536
        controller.enqueue(new Uint8Array(65_536))
      },
    })
    const asked = new Request('http://127.0.0.1:3000/api/jobs', {
      method: 'POST',
      body: endless,
      duplex: 'half',
    } as RequestInit)
    expect(await bodyOf(asked)).toBeNull()
    expect(sent).toBeLessThan(10 * 1024 * 1024)
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
