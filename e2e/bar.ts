import type { Locator, Page } from '@playwright/test'
import { expect } from './expect.ts'

/** Until a clock of the shot that runs shows at least so many seconds. */
export async function untilClock(
  page: Page,
  atLeastS: number,
  clock: 'pump' | 'drop' = 'pump',
): Promise<void> {
  const shown = async () => Number(await page.locator(`[data-clock="${clock}"]`).textContent())
  await expect.poll(shown).toBeGreaterThanOrEqual(atLeastS)
}

/** The bar as a person uses it, in the words on the screen. */
export class Bar {
  constructor(readonly page: Page) {}

  async begin(person: string, recipe: string): Promise<void> {
    await this.page.goto('/')
    await this.page.getByRole('radio', { name: recipe }).check()
    // Whoever learns pulls their own, and has nobody to choose.
    const who = this.page.getByRole('radio', { name: person })
    if ((await who.count()) > 0) await who.check()
    await this.page.getByRole('button', { name: `${person} to the bar` }).click()
    await expect(this.page.getByRole('heading', { name: 'Is all ready?' })).toBeVisible()
  }

  async goTo(step: string): Promise<void> {
    await this.page.getByRole('navigation', { name: 'Steps' }).getByRole('button', { name: step }).click()
  }

  answer(question: string | RegExp, answer: string): Promise<void> {
    return this.page
      .getByRole('group', { name: question })
      .getByRole('radio', { name: answer, exact: true })
      .check()
  }

  async weigh(step: 'Dose' | 'Cup', vessel: string, full: string): Promise<void> {
    await this.goTo(step)
    await this.answer('What is it in?', vessel)
    await this.page.getByLabel('Full weight').fill(full)
  }

  async typeTimes(firstDrop: string, stop: string): Promise<void> {
    await this.goTo('Pull')
    await this.page.getByLabel('First drop at').fill(firstDrop)
    await this.page.getByLabel('Stopped at').fill(stop)
  }

  async taste(sour: number, sweet: number, bitter: number): Promise<void> {
    await this.goTo('Taste')
    for (const [axis, value] of Object.entries({ Sour: sour, Sweet: sweet, Bitter: bitter })) {
      await this.page.getByRole('slider', { name: axis }).fill(String(value))
    }
  }

  async save(): Promise<void> {
    await this.page.getByRole('button', { name: 'Save and read' }).click()
    await expect(this.verdict).toBeVisible()
  }

  rail(name: string): Locator {
    return this.page.locator('li[data-rail]', { hasText: name })
  }

  get verdict(): Locator {
    return this.page.locator('#verdict')
  }
}
