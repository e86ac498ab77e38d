import { STAGES, type Stage } from '@/core/model/vocabulary'
import { STAGE_WORDS } from '../words'
import { later } from '@/core/words/say'

export type Action =
  | { readonly kind: 'stage'; readonly stage: Stage }
  | {
      readonly kind:
        | 'house'
        | 'panel'
        | 'defects'
        | 'pick'
        | 'whole'
        | 'day'
        | 'try'
        | 'undo'
        | 'redo'
        | 'dark'
        | 'palette'
        | 'help'
        | 'previous-box'
        | 'next-box'
    }

/** One key each; the help sheet and the key handler read the same list. */
export const SHORTCUTS: readonly { readonly key: string; readonly says: string; readonly action: Action }[] =
  [
    ...STAGES.map((stage, index) => ({
      key: String(index + 1),
      says: later`Go to ${STAGE_WORDS[stage].name}`,
      action: { kind: 'stage', stage } as const,
    })),
    { key: 't', says: 'Try by hand', action: { kind: 'try' } },
    { key: 'h', says: 'House', action: { kind: 'house' } },
    { key: 'p', says: 'Panel', action: { kind: 'panel' } },
    { key: 'x', says: 'Defects', action: { kind: 'defects' } },
    { key: 'l', says: 'Pick list', action: { kind: 'pick' } },
    { key: 'y', says: 'Day', action: { kind: 'day' } },
    { key: 'w', says: 'Choose for the whole house', action: { kind: 'whole' } },
    { key: '[', says: 'Box before', action: { kind: 'previous-box' } },
    { key: ']', says: 'Box after', action: { kind: 'next-box' } },
    { key: 'u', says: 'Undo', action: { kind: 'undo' } },
    { key: 'r', says: 'Redo', action: { kind: 'redo' } },
    { key: 'd', says: 'Dark room or paper', action: { kind: 'dark' } },
    { key: '/', says: 'Find a box or an action', action: { kind: 'palette' } },
    { key: '?', says: 'This sheet', action: { kind: 'help' } },
  ]

const isTyping = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement &&
  (target.isContentEditable || ['INPUT', 'TEXTAREA', 'SELECT'].includes(target.tagName))

/** The action of a key press; null while somebody types, or with another modifier held. */
export function actionOf(event: KeyboardEvent): Action | null {
  const withControl = event.ctrlKey || event.metaKey
  if (withControl && event.key.toLowerCase() === 'z') return { kind: event.shiftKey ? 'redo' : 'undo' }
  if (withControl && event.key.toLowerCase() === 'k') return { kind: 'palette' }
  const isRadio = event.target instanceof HTMLInputElement && event.target.type === 'radio'
  if (withControl || event.altKey || (isTyping(event.target) && !isRadio)) return null
  return SHORTCUTS.find(shortcut => shortcut.key === event.key)?.action ?? null
}
