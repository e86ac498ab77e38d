import { Server, type IncomingMessage, type ServerResponse } from 'node:http'
import path from 'node:path'
import { atTheDoor, type Door } from './front-door'
import { inlineScriptsIn } from './inline-scripts'

/* Loaded before the server: no request reaches it but through the door. */

const door: Door = {
  served: process.env.HOSTNAME ?? '127.0.0.1',
  names: (process.env.HOST_NAMES ?? '').split(/[\s,]+/).filter(Boolean),
  scripts: inlineScriptsIn(path.join(import.meta.dirname, '.next', 'server', 'app')),
}

const emit = Server.prototype.emit
Server.prototype.emit = function (this: Server, event: string | symbol, ...given: unknown[]): boolean {
  if (event === 'request') {
    const [asked, answer] = given as [IncomingMessage, ServerResponse]
    if (atTheDoor(door, asked, answer)) return true
  }
  return Reflect.apply(emit, this, [event, ...given]) as boolean
}
