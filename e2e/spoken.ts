import type { JobRecord } from '@/core/model/record'

/**
 * What nobody there would say, written down apart from the languages. A word that a person wrote is taken out before a
 * page is held against it.
 */
export const FOREIGN: Readonly<Record<string, RegExp>> = {
  'north-america-120':
    /\b(colours?|coloured|aluminium|travellers?|grey|neighbours?|armoured|earth(?:ed|s)?|MCBs?|RCBOs?|sockets?|strappers?|consumer units?|back box(?:es)?|two-way switch|intermediate switch)\b/gi,
  'europe-230':
    /\b(colors?|colored|aluminum|travelers?|gray|neighbors?|armored|grounds?|grounded|hots?|breakers?|receptacles?|panels?|pigtails?|three-way|four-way)\b/gi,
}

const WRITTEN =
  /^(name|label|note|plate|address|owners|electrician|apprentice|breaker|text|what|cure|why|handedTo|struck|corrected|keepOff|keepWith|keyWith|value|takenBy|reason)$/

/** All that people wrote in a job, the longest first. */
export function writtenIn(record: JobRecord): readonly string[] {
  const written = new Set<string>()
  const gather = (value: unknown, field: string): void => {
    if (typeof value === 'string' && WRITTEN.test(field) && value.length > 2) written.add(value)
    else if (value !== null && typeof value === 'object')
      for (const [name, each] of Object.entries(value)) gather(each, name)
  }
  gather(record, '')
  return [...written].sort((a, b) => b.length - a.length)
}

/** The words of elsewhere on a page, each with what stands round it. */
export function foreignOn(text: string, regionId: string, written: readonly string[]): string[] {
  let own = text
  for (const each of written) own = own.replaceAll(each, '·')
  return [...own.matchAll(FOREIGN[regionId]!)].map(
    ({ 0: word, index }) =>
      `${word}: …${own.slice(Math.max(0, index - 40), index + 40).replace(/\s+/g, ' ')}…`,
  )
}

/** What a person reads or hears of a page that was sent as HTML. */
export function shownIn(html: string): string {
  const body = html.slice(html.indexOf('<body')).replace(/<(script|style|template)\b[\s\S]*?<\/\1>/g, ' ')
  const named = [...body.matchAll(/\b(?:aria-label|title|placeholder|alt)="([^"]*)"/g)].map(
    ([, said]) => said,
  )
  const entities: Record<string, string> = { amp: '&', lt: '<', gt: '>', quot: '"', '#x27': "'" }
  return [body.replace(/<!--[\s\S]*?-->/g, '').replace(/<[^>]+>/g, ' '), ...named]
    .join(' \n')
    .replace(/&(amp|lt|gt|quot|#x27);/g, (_, name: string) => entities[name]!)
}
