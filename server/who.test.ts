import { describe, expect, it } from 'vitest'
import { isLoopback, isServed, mayDo } from './who'

describe('under which names it is served', () => {
  it.each([
    ['127.0.0.1:3000', true],
    ['localhost:3000', true],
    ['[::1]:3000', true],
    ['127.0.0.1', true],
    ['127.8.9.1:3000', true],
    // A name of somebody else that leads here.
    ['elsewhere.example:3000', false],
    ['localhost.elsewhere.example', false],
    ['127.0.0.1.elsewhere.example', false],
    ['192.168.1.20:3000', false],
    ['user@localhost', false],
    ['localhost/x', false],
    ['', false],
    [null, false],
  ])('at 127.0.0.1, %s: %s', (host, served) => {
    expect(isServed(host, '127.0.0.1')).toBe(served)
  })

  it.each([
    ['192.168.1.20:3000', true],
    ['[fe80::1]:3000', true],
    ['localhost:3000', true],
    ['elsewhere.example', false],
    ['van.local', true],
    ['VAN.local:3000', true],
  ])('at 0.0.0.0, with van.local allowed, %s: %s', (host, served) => {
    expect(isServed(host, '0.0.0.0', ['van.local'])).toBe(served)
  })

  it('knows what is of this machine alone', () => {
    expect(['127.0.0.1', 'localhost', '::1', '[::1]', 'LOCALHOST'].every(isLoopback)).toBe(true)
    expect(['0.0.0.0', '::', '10.0.0.1', '1270.0.0.1', 'localhost.example'].some(isLoopback)).toBe(false)
  })
})

describe('who may write', () => {
  const host = '127.0.0.1:3000'
  it.each([
    [{ host }, true],
    [{ host, origin: 'http://127.0.0.1:3000' }, true],
    [{ host, origin: 'http://127.0.0.1:3000', 'sec-fetch-site': 'same-origin' }, true],
    [{ host, origin: 'http://127.0.0.1:3001' }, false],
    [{ host, origin: 'https://elsewhere.example' }, false],
    [{ host, origin: 'null' }, false],
    // Believed over an Origin that is not there, or that says otherwise.
    [{ host, 'sec-fetch-site': 'cross-site' }, false],
    [{ host, 'sec-fetch-site': 'same-site' }, false],
    [{ host, 'sec-fetch-site': 'none' }, false],
    [{ host, origin: 'http://127.0.0.1:3000', 'sec-fetch-site': 'cross-site' }, false],
  ])('%j: %s', (headers, may) => {
    for (const method of ['POST', 'DELETE', 'PUT', 'PATCH'])
      expect(mayDo(method, new Headers(headers as Record<string, string>))).toBe(may)
    expect(mayDo('GET', new Headers(headers as Record<string, string>))).toBe(true)
  })
})
