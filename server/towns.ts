import { cityMapping } from 'city-timezones'
import type { NearestTown, Site, Town } from '@/core/model/site'

/** As it is compared: without marks over letters, in small ones. */
const plainly = (text: string): string =>
  text
    .normalize('NFKD')
    .replace(/\p{M}+/gu, '')
    .toLowerCase()

interface Known {
  readonly names: readonly string[]
  readonly people: number
  readonly town: Town
}

let known: readonly Known[] | null = null

/** Every town whose zone is known, the largest first: read once. */
const towns = (): readonly Known[] =>
  (known ??= cityMapping
    .filter(({ timezone }) => Boolean(timezone))
    .map(({ city, city_ascii, lat, lng, pop, province, country, timezone }) => ({
      names: [...new Set([plainly(city), plainly(city_ascii)])],
      people: pop,
      town: {
        town: city,
        within: [province, country].filter(each => each && each !== city).join(', '),
        latitude: toHundredths(lat),
        longitude: toHundredths(lng),
        zone: timezone,
      },
    }))
    .sort((one, other) => other.people - one.people))

/** A kilometre moves no dusk by more than a few seconds. */
const toHundredths = (degrees: number): number => Math.round(degrees * 100) / 100

const MOST_FOUND = 12

/** Towns by the beginning of their name or of a word in it, the largest first; “Name, part” tells those of one name apart. */
export function townsCalled(asked: string): Town[] {
  const [name = '', ...within] = plainly(asked)
    .split(',')
    .map(each => each.trim())
  if (name === '') return []
  const fits = ({ names }: Known, ending: (of: string) => boolean) => names.some(ending)
  const inside = ({ town }: Known) => within.every(each => plainly(town.within).includes(each))
  const all = towns().filter(inside)
  const whole = all.filter(each => fits(each, of => of.startsWith(name)))
  const word = all.filter(
    each => !whole.includes(each) && fits(each, of => of.split(/[\s-]/).some(part => part.startsWith(name))),
  )
  return [...whole, ...word].slice(0, MOST_FOUND).map(({ town }) => town)
}

const EARTH_KILOMETRES = 6371

/** The town nearest to a position, and how far away it lies. */
export function nearestTown(position: Pick<Site, 'latitude' | 'longitude'>): NearestTown {
  let best: NearestTown | null = null
  for (const { town } of towns()) {
    const kilometres = apart(position, town)
    if (!best || kilometres < best.kilometres) best = { town, kilometres }
  }
  return best!
}

function apart(
  one: Pick<Site, 'latitude' | 'longitude'>,
  other: Pick<Site, 'latitude' | 'longitude'>,
): number {
  const radians = (degrees: number) => (degrees * Math.PI) / 180
  const [up, along] = [radians(other.latitude - one.latitude), radians(other.longitude - one.longitude)]
  const half =
    Math.sin(up / 2) ** 2 +
    Math.cos(radians(one.latitude)) * Math.cos(radians(other.latitude)) * Math.sin(along / 2) ** 2
  return 2 * EARTH_KILOMETRES * Math.asin(Math.min(1, Math.sqrt(half)))
}
