/** A terminal of what stands, or will stand, at a place. */
export interface TerminalAt {
  readonly placeId: string
  readonly terminalId: string
}

/** The same as a key: ids of places have no dot in them. */
export type TerminalKey = `${string}.${string}`

export const keyOfTerminal = ({ placeId, terminalId }: TerminalAt): TerminalKey => `${placeId}.${terminalId}`

export function terminalAt(key: TerminalKey): TerminalAt {
  const dot = key.indexOf('.')
  return { placeId: key.slice(0, dot), terminalId: key.slice(dot + 1) }
}
