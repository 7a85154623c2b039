import type { Page } from '@playwright/test'
import { expect } from './expect.ts'
import type { Hands, StandIns } from './standIns.ts'

const PORTAFILTER_G = 586.4
const CUP_G = 118.6
/** Where a machine that stops by itself is set to: a little short of the recipe’s 39 g, because it drips. */
export const STOPS_AT_G = 38

export interface Pull {
  doseG?: number
  setting?: number
  tilt?: 'level' | 'clear'
  /** Where the machine stops by itself: no cup then hangs on how soon a busy computer hears the cue. */
  stopAtG?: number
}

/** The bar with a scale, as a person with wet hands uses it. */
export class ScaleBar {
  constructor(readonly page: Page) {}

  /** Says where the devices are, before the app is opened. */
  static async on(page: Page, { url }: StandIns): Promise<ScaleBar> {
    await page.addInitScript((address) => localStorage.setItem('calm-apron.devices', address), url)
    return new ScaleBar(page)
  }

  async startTraining(
    seats: Record<string, string>,
    { recipe = 'House double', isFull = true } = {},
  ): Promise<string> {
    await this.page.goto('/trainings/new')
    // First call and both notes come every third shot, unless somebody wants them of each.
    if (isFull) {
      await this.page.getByText('What exactly').click()
      await this.page.getByRole('radio', { name: 'every shot' }).check()
    }
    for (const [person, group] of Object.entries(seats))
      await this.page.getByRole('group', { name: person }).getByRole('radio', { name: group }).check()
    await this.page.getByRole('radio', { name: recipe }).check()
    await this.page.getByRole('button', { name: 'Start', exact: true }).click()
    await expect(this.page.getByRole('region', { name: 'Grind for this session' })).toBeVisible()
    return /trainings\/([^/]+)/.exec(this.page.url())?.[1] ?? ''
  }

  async next(group: string): Promise<void> {
    await this.page
      .getByRole('region', { name: group })
      .getByRole('button', { name: /^Next: / })
      .click()
    await expect(this.page.getByRole('heading', { name: 'Is all ready?' })).toBeVisible()
  }

  step(name: string): Promise<void> {
    return this.page
      .getByRole('navigation', { name: 'Steps' })
      .getByRole('button', { name: new RegExp(name) })
      .click()
  }

  /** From the scale into the entry, and the bed pressed and locked in. */
  async prepare(
    hands: Hands,
    { doseG = 18.4, setting = 14, tilt = 'level', stopAtG }: Pull = {},
  ): Promise<void> {
    await hands.order(
      { kind: 'take' },
      // Its own button, with nothing on it: since the last cup it showed that one's weight less.
      { kind: 'tare' },
      { kind: 'bench', setting, doseG, tilt, ...(stopAtG !== undefined && { stopAtG }) },
      { kind: 'put', vesselG: PORTAFILTER_G, contentG: doseG },
    )
    await this.step('Dose')
    await expect(this.page.getByText('In Portafilter 1.')).toBeVisible()
    await this.page.getByRole('button', { name: new RegExp(`^Keep ${doseG.toFixed(1)}`) }).click()
    await this.step('Tamp')
    await this.page
      .getByRole('button', { name: tilt === 'level' ? 'Level' : 'low on the left', exact: true })
      .first()
      .click()
    await hands.order({ kind: 'put', vesselG: CUP_G, contentG: 0 })
    await this.page.getByRole('button', { name: 'Locked in, cup under' }).click()
    await expect(this.page.getByRole('heading', { name: 'Pull the shot' })).toBeVisible()
  }

  /** To the other shot that is under way on this tablet. */
  async turnTo(person: string): Promise<void> {
    await this.page.getByRole('link', { name: new RegExp(`^${person}`) }).click()
    await expect(this.page.locator('p').getByText(person, { exact: true })).toBeVisible()
  }

  async start(): Promise<void> {
    await this.page.keyboard.press('Space')
    await expect(this.page.getByRole('button', { name: /^First drop|^Pump off/ }).first()).toBeVisible()
  }

  /** Waits for the cue, stops, and waits until the cup has settled. */
  async stopOnCue(): Promise<void> {
    await expect(this.page.getByRole('button', { name: /^Pump off now/ })).toBeVisible()
    await this.page.keyboard.press('Space')
    await this.settled()
  }

  /** Without help nobody cues: whoever pulls reads the scale. */
  async stopByWeight(): Promise<void> {
    await expect(this.page.getByText('Help off')).toBeVisible()
    await expect
      .poll(async () => Number(await this.page.locator('[data-weight]').textContent()))
      .toBeGreaterThan(STOPS_AT_G - 2)
    await expect(this.page.getByRole('button', { name: /^Pump off now/ })).toHaveCount(0)
    await this.page.keyboard.press('Space')
    await this.settled()
  }

  async settled(): Promise<void> {
    await expect(this.page.getByText(/once it had dripped out/)).toBeVisible()
  }

  async save(): Promise<void> {
    await this.page.getByRole('button', { name: /^Save/ }).click()
  }

  /** A whole shot: weighed, pressed, pulled to the cue, saved. */
  async pull(hands: Hands, pull: Pull = {}): Promise<void> {
    await this.prepare(hands, pull)
    await this.start()
    await this.stopOnCue()
    await this.save()
  }

  /** Call by eye, both slips on one tablet, the final call; then the reading stands. */
  async callAndTaste(person: string): Promise<void> {
    const { page } = this
    await expect(page.getByRole('heading', { name: `${person}: by eye alone` })).toBeVisible()
    await this.say('On time', 'Hold it')
    await page.getByRole('button', { name: 'Keep the call' }).click()
    await page.getByRole('button', { name: `Hand it to ${person}` }).click()
    await this.slip(4, 6, 4)
    await page.getByRole('button', { name: 'Fill mine' }).click()
    await this.slip(3, 7, 3)
    await expect(page.getByRole('heading', { name: `${person}: the last word` })).toBeVisible()
    await this.say('Balanced', 'Hold it')
    await page.getByRole('button', { name: 'Keep it and open the reading' }).click()
    await expect(page.locator('#verdict')).toBeVisible()
  }

  async say(verdict: string, move: string): Promise<void> {
    await this.page.getByRole('radio', { name: verdict }).check()
    await this.page.getByRole('radio', { name: move }).check()
  }

  async slip(sour: number, sweet: number, bitter: number): Promise<void> {
    for (const [axis, value] of Object.entries({ Sour: sour, Sweet: sweet, Bitter: bitter }))
      await this.page.getByRole('slider', { name: axis }).fill(String(value))
    await this.page.getByRole('button', { name: 'Keep my note' }).click()
  }

  /** Without call and slips: a trainer opens the reading at once. */
  async skipCall(): Promise<void> {
    const { page } = this
    await page.getByRole('button', { name: 'No call by eye this time' }).click()
    await page.getByRole('button', { name: 'Skip' }).first().click()
    await expect(page.getByText('skipped')).toHaveCount(1)
    await page.getByRole('button', { name: 'Skip' }).click()
    await page.getByRole('button', { name: 'Open the reading without a call' }).click()
    await expect(page.locator('#verdict')).toBeVisible()
  }

  /** What the dial-in would pull at next. */
  async advisedSetting(): Promise<number> {
    const advice = (await this.page.locator('#next-shot').textContent()) ?? ''
    return Number(/(?:[Aa]t|to) (\d+)/.exec(advice)?.[1])
  }

  /** A set for somebody of the training, by look and numbers, without knowing what comes before it. */
  async beginSet(person: string, programme: string): Promise<void> {
    const { page } = this
    await page.getByRole('button', { name: 'Begin a set' }).click()
    await page.getByLabel('Whose set?').selectOption({ label: person })
    await page.getByLabel('Programme', { exact: true }).selectOption({ label: programme })
    await page.getByRole('radio', { name: 'Look and numbers only' }).check()
    await page.getByLabel('Reason').fill('Starts at the quay on Monday')
    await page.getByRole('button', { name: 'Begin the set' }).click()
    await expect(page.locator('[data-set]')).toBeVisible()
  }

  /** What a set is compared with: the trainer's own shot, read at once; once more where it was off. */
  async pullReference(hands: Hands, pull: Pull): Promise<void> {
    const next = this.page.getByRole('button', { name: 'Pull the reference' })
    for (let tries = 0; tries < 4 && (await next.isVisible()); tries += 1) {
      await next.click()
      await expect(this.page.getByRole('heading', { name: 'Is all ready?' })).toBeVisible()
      await this.pull(hands, pull)
      await expect(this.page.locator('#verdict')).toBeVisible()
      await this.toTraining()
    }
  }

  async toTraining(): Promise<void> {
    await this.page.getByRole('link', { name: 'Back to the training' }).click()
    await expect(this.page.getByRole('region', { name: 'Grind for this session' })).toBeVisible()
  }
}

export interface StoredShot {
  shotId: string
  personId: string
  purpose: string
  series: { weight: string | null } | null
  tasted: { trainee: object | null; trainer: object | null }
  current: { facts: { cup: { netG: number } | null; clock: { estimated: boolean } | null } }
}

/** What the server holds of a training, as the head's own browser would be told. */
export async function storedShots(page: Page, trainingId: string): Promise<StoredShot[]> {
  // As a page of this release asks; without it the answer would be in the words of the last one.
  const headers = { 'Calm-Apron-Contract': '2' }
  const answer = await page.request.get(`/api/v1/shots?limit=100&trainingId=${trainingId}`, { headers })
  expect(answer.ok()).toBe(true)
  return ((await answer.json()) as { shots: StoredShot[] }).shots
}
