import type { KeyboardEvent, PointerEvent } from 'react'

/** What a thing of the drawing is called, and what can be done to it. */
export interface Held {
  readonly name: string
  readonly isPicked: boolean
  readonly onPointerDown?: (event: PointerEvent) => void
  readonly onKeyDown?: (event: KeyboardEvent) => void
  readonly onFocus?: () => void
}
