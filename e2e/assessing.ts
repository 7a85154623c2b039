import type { Page } from '@playwright/test'
import { expect } from './fixtures.ts'
import { newId } from './people.ts'
import { PASSWORD, type Place } from './place.ts'

const CONTRACT = { 'Calm-Apron-Contract': '2' }

interface Recipe {
  recipeRevisionId: string
  name: string
  targets: { doseG: number; yieldG: number; timeMinS: number; timeMaxS: number }
}
interface Today {
  recipes: Recipe[]
  people: { personId: string; displayName: string }[]
  bars: { barId: string; machines: { machineId: string }[]; grinders: { grinderId: string }[] }[]
}

/** Signs what is decided on a page, as whoever is signed in there. */
export async function signByPassword(page: Page): Promise<void> {
  await page.getByRole('radio', { name: 'Password' }).check()
  await page.getByLabel('Password', { exact: true }).last().fill(PASSWORD)
  await page.getByRole('button', { name: 'Sign', exact: true }).click()
}

/** What is sent at a bar where a set is pulled, in the name of whoever is signed in on a page. */
export class Assessing {
  #minute = 0

  private constructor(
    readonly page: Page,
    readonly app: Place,
    readonly today: Today,
    readonly me: string,
  ) {}

  static async on(page: Page, app: Place): Promise<Assessing> {
    const read = async (path: string): Promise<unknown> =>
      (await page.request.get(`${app.url}/api/v1/${path}`, { headers: CONTRACT })).json()
    const session = (await read('session')) as { person: { personId: string } }
    return new Assessing(page, app, (await read('today')) as Today, session.person.personId)
  }

  /** Each a little later than the one before, and all a while ago. */
  #at(): string {
    this.#minute += 1
    return new Date(Date.now() - 3_600_000 + this.#minute * 60_000).toISOString()
  }

  async #put(path: string, data: object): Promise<void> {
    const headers = { ...CONTRACT, Origin: this.app.url }
    const answer = await this.page.request.put(`${this.app.url}/api/v1/${path}`, { headers, data })
    expect([path, answer.status(), await answer.text()]).toEqual([path, 201, expect.any(String)])
  }

  idOf(name: string): string {
    return this.today.people.find(({ displayName }) => displayName === name)?.personId ?? ''
  }

  get #room() {
    const [bar] = this.today.bars
    const recipe = this.today.recipes.find(({ name }) => name === 'House double')
    if (bar === undefined || recipe === undefined) throw new Error('The demo has a bar and its recipe.')
    return {
      recipe,
      barId: bar.barId,
      machineId: bar.machines[0]?.machineId ?? null,
      grinderId: bar.grinders[0]?.grinderId ?? null,
    }
  }

  /** A training with these at a group of their own each. */
  async training(...names: string[]): Promise<string> {
    const { barId, machineId, grinderId, recipe } = this.#room
    const seats = names.map((name, groupNo) => ({ personId: this.idOf(name), machineId, groupNo }))
    const setup = { barId, grinderId, seats, recipeRevisionId: recipe.recipeRevisionId }
    const more = { purpose: 'practice', routineId: null, bagId: null, grindOwner: 'trainee' }
    const trainingId = newId()
    await this.#put(`trainings/${trainingId}/events/${newId()}`, {
      by: this.me,
      at: this.#at(),
      happening: { kind: 'started', setup: { ...setup, ...more } },
    })
    return trainingId
  }

  /** A shot of the set, on in all that is measured but for a cup so much heavier, or a time so much longer. */
  async shot(
    set: { trainingId: string; assessmentId: string },
    {
      by,
      purpose = 'assessment',
      heavierG = 0,
      slowerS = 0,
    }: { by?: string; purpose?: string; heavierG?: number; slowerS?: number },
  ): Promise<void> {
    const { barId, machineId, grinderId, recipe } = this.#room
    const { doseG, yieldG, timeMinS, timeMaxS } = recipe.targets
    const known = {
      grindSetting: 14,
      grinderPurged: true,
      machineHot: true,
      basketDry: true,
      basketClean: true,
    }
    const facts = {
      ...{ ...known, rightBasket: true, bedEven: true, abandoned: null },
      dose: { by: 'net', netG: doseG },
      tamp: { tilt: 'level', lowSide: null, settled: true },
      clock: {
        firstDrop: 'marked',
        firstDropS: 7,
        stopS: (timeMinS + timeMaxS) / 2 + slowerS,
        estimated: false,
      },
      cup: { by: 'net', netG: yieldG + heavierG },
      taste: { sour: null, sweet: null, bitter: null, body: null, dryness: null },
      look: { stream: 'even', puck: 'even' },
    }
    const asked = { isCallAsked: false, isFirstCallAsked: false, areNotesAsked: false }
    await this.#put(`shots/${newId()}`, {
      ...{ ...asked, ...set, facts, barId, machineId, grinderId, groupNo: 0, bagId: null, purpose },
      ...{ faultShown: null, isSimulated: false, grindOwner: 'trainee', focus: null, series: null, note: '' },
      personId: by === undefined ? this.me : this.idOf(by),
      judgedBy: this.me,
      recipeRevisionId: recipe.recipeRevisionId,
      pulledAt: this.#at(),
    })
  }

  /** The set that is on; empty while none is. */
  async running(): Promise<string> {
    const path = `${this.app.url}/api/v1/assessments`
    const answer = await this.page.request.get(path, { headers: CONTRACT })
    const { assessments } = (await answer.json()) as { assessments: { assessmentId: string }[] }
    return assessments[0]?.assessmentId ?? ''
  }
}
