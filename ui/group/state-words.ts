import { type Say } from '@/core/words/say'
/** How a device stands, in the words of its own variables; a level counts only while it is on. */
export function stateWords(say: Say, state: Readonly<Record<string, string>> | undefined): string {
  if (!state) return ''
  const { relay, level, 'air-gap': gap, ...rest } = state
  if (gap === 'out') return say`air gap out`
  return [
    ...Object.values(rest),
    ...(relay ? [relay === 'on' && level && level !== 'full' ? say`on, ${level}` : relay] : []),
  ].join(', ')
}
