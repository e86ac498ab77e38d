/** How a device stands, in the words of its own variables; a level counts only while it is on. */
export function stateWords(state: Readonly<Record<string, string>> | undefined): string {
  if (!state) return ''
  const { relay, level, 'air-gap': gap, ...rest } = state
  if (gap === 'out') return 'air gap out'
  return [
    ...Object.values(rest),
    ...(relay ? [relay === 'on' && level && level !== 'full' ? `on, ${level}` : relay] : []),
  ].join(', ')
}
