import { expect, type Locator, type Page, type TestInfo } from '@playwright/test'
import { saved, quiet } from './helpers'

/** A person at a page, whose presses are counted: a press, a choice in a list, a field that is typed into are one each. */
export class Hand {
  presses = 0
  /** How often something lay where he had to scroll to it. */
  scrolls = 0

  constructor(readonly page: Page) {}

  async press(what: Locator) {
    this.presses++
    // What is still being thought of comes above what is there, and moves it from under the hand.
    await expect(this.page.getByText(/^(Thinking of every way|Searching for wiring)/)).toHaveCount(0)
    await this.#reach(what)
    await what.click()
  }

  /** What comes into sight by itself is waited for; what does not is scrolled to. */
  async #reach(what: Locator) {
    const isSeen = () =>
      what.evaluate(element => {
        const { top, bottom, left, right } = element.getBoundingClientRect()
        return (
          top >= 0 &&
          bottom <= innerHeight &&
          element.contains(document.elementFromPoint((left + right) / 2, (top + bottom) / 2))
        )
      })
    for (let waited = 0; waited < 10; waited++) {
      if (await isSeen()) return
      await this.page.waitForTimeout(100)
    }
    this.scrolls++
  }

  button(name: string | RegExp) {
    return this.press(this.page.getByRole('button', { name, exact: typeof name === 'string' }).first())
  }

  async pick(group: string | RegExp, name: string | RegExp) {
    this.presses++
    const exact = typeof group === 'string'
    await this.page
      .getByRole('group', { name: group, exact })
      .first()
      .getByRole('radio', { name, exact: typeof name === 'string' })
      .click()
  }

  async select(label: string | RegExp, words: string) {
    this.presses++
    await this.page
      .getByLabel(label, { exact: typeof label === 'string' })
      .first()
      .selectOption({ label: words })
  }

  async type(label: string | RegExp | Locator, text: string) {
    this.presses++
    const field =
      typeof label === 'string' || label instanceof RegExp
        ? this.page.getByLabel(label, { exact: typeof label === 'string' }).first()
        : label
    await field.fill(text)
  }

  /** What it took, said where the run is read. */
  say(info: TestInfo, what: string) {
    info.annotations.push({ type: 'presses', description: `${what}: ${this.presses}` })
  }
}

/** An empty job, started as anybody would. */
export async function startedJob(page: Page, hand: Hand, name: string): Promise<string> {
  await page.goto('/')
  await hand.button('Start a job')
  await hand.type('Name of the house', name)
  await hand.button('Start')
  await page.waitForURL(/\/jobs\/[^/]+$/)
  return page.url().split('/').at(-1)!
}

/** A room and a box in it, looked at. */
export async function boxIn(
  hand: Hand,
  room: string,
  box: string,
  gangs = '1',
  isNewRoom = true,
): Promise<string> {
  const { page } = hand
  if (isNewRoom) {
    await hand.button('Add a room')
    await hand.type('Name of the room', room)
    await hand.button('Add the room')
  }
  await hand.button('Add a box')
  await hand.select('Room', room)
  await hand.type('Where it is', box)
  if (gangs !== '1') await hand.pick('Gangs', gangs)
  await hand.button('Add the box and look')
  await page.waitForURL(/\/look$/)
  await saved(page)
  return page.url().split('/').at(-2)!
}

/** From the house to one of its boxes. */
export async function lookAt(page: Page, jobId: string, boxId: string, stage = 'look') {
  await page.goto(`/jobs/${jobId}/boxes/${boxId}/${stage}`)
  await expect(page.getByRole('heading', { level: 1 })).toBeVisible()
  await quiet(page)
}

/** Opens what is folded, by the words on it. */
export async function unfold(page: Page, ...words: string[]) {
  for (const each of words) {
    const summary = page.locator('summary').filter({ hasText: each }).first()
    if (!(await summary.evaluate(element => (element.parentElement as HTMLDetailsElement).open)))
      await summary.click()
  }
}
