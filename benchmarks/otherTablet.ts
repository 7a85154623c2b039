import { CHROMIUM_ARGS, chromiumPath, startTestApp } from '@calm-apron/scripts/testing'
import { chromium } from '@playwright/test'
import { v7 as uuidv7 } from 'uuid'
import { comeIn, send } from './comeIn.ts'
import { within } from './measure.ts'

const TABLETS = 20
const SHOTS = 100
const GOAL_MS = 2000

interface House {
  people: { personId: string; role: string }[]
  recipes: { recipeRevisionId: string }[]
  bars: { barId: string }[]
}

const app = await startTestApp('demo')
const browser = await chromium.launch({ executablePath: chromiumPath(), args: CHROMIUM_ARGS })
const over = new AbortController()
try {
  const cookies = await Promise.all([
    comeIn(app.url, 'trainer'),
    comeIn(app.url, 'head'),
    comeIn(app.url, 'trainer', 1),
  ])
  const [cookie] = cookies
  const ask = async <T>(path: string, by = cookie) =>
    (await (await send(app.url, 'GET', path, undefined, by)).json()) as T
  const house = await ask<House>('/today')
  const me = await ask<{ person: { personId: string } }>('/session')
  const personId = house.people.find(({ role }) => role === 'trainee')?.personId ?? ''
  const recipeRevisionId = house.recipes[0]?.recipeRevisionId
  const barId = house.bars[0]?.barId
  const trainingId = uuidv7()
  const put = async (path: string, body: object) => {
    const answer = await send(app.url, 'PUT', path, body, cookie)
    if (!answer.ok) throw new Error(`${path}: ${answer.status} ${await answer.text()}`)
    await answer.arrayBuffer()
  }
  await put(`/trainings/${trainingId}/events/${uuidv7()}`, {
    by: me.person.personId,
    at: new Date().toISOString(),
    happening: {
      kind: 'started',
      setup: {
        barId,
        purpose: 'practice',
        recipeRevisionId,
        routineId: null,
        grinderId: null,
        bagId: null,
        grindOwner: 'trainer',
        seats: [{ personId, machineId: null, groupNo: 0 }],
      },
    },
  })

  /** Each of the others follows, and asks for the shots anew as a page would. */
  async function follow(by: string): Promise<void> {
    const answer = await fetch(`${app.url}/api/v1/live`, { headers: { Cookie: by }, signal: over.signal })
    const words = new TextDecoder()
    for await (const chunk of answer.body ?? [])
      if (words.decode(chunk).includes('"shot"')) void ask(`/shots?trainingId=${trainingId}&limit=100`, by)
  }
  for (let no = 2; no < TABLETS; no += 1) follow(cookies[no % cookies.length] ?? '').catch(() => undefined)

  const [name = '', value = ''] = cookie.split(';')[0]?.split('=') ?? []
  const context = await browser.newContext({ baseURL: app.url, serviceWorkers: 'block' })
  await context.addCookies([{ name, value, url: app.url }])
  const page = await context.newPage()
  await page.goto(`/trainings/${trainingId}`)
  await page.locator('[data-line="in-step"]').waitFor()

  const took: number[] = []
  const asked: number[] = []
  for (let shot = 1; shot <= SHOTS; shot += 1) {
    await put(`/shots/${uuidv7()}`, {
      personId,
      judgedBy: me.person.personId,
      recipeRevisionId,
      barId,
      grinderId: null,
      bagId: null,
      machineId: null,
      groupNo: null,
      trainingId,
      purpose: 'practice',
      faultShown: null,
      isSimulated: false,
      grindOwner: 'trainer',
      isCallAsked: false,
      pulledAt: new Date().toISOString(),
      series: null,
      note: '',
      facts: {
        grindSetting: 14,
        grinderPurged: null,
        machineHot: null,
        basketDry: null,
        rightBasket: null,
        bedEven: null,
        dose: null,
        tamp: { tilt: null, lowSide: null, settled: null },
        clock: null,
        cup: { by: 'net', netG: 38 },
        abandoned: null,
        taste: { sour: null, sweet: null, bitter: null, body: null, dryness: null },
        look: { stream: null, puck: null },
      },
    })
    const startMs = performance.now()
    // A list as it is asked for by itself, beside the same load.
    const alone = ask(`/shots?trainingId=${trainingId}&limit=100`).then(() =>
      asked.push(performance.now() - startMs),
    )
    const words = shot === 1 ? '1 shot so far' : `${shot} shots so far`
    await page.waitForFunction(
      (heading) => [...document.querySelectorAll('h2')].some((each) => each.textContent === heading),
      words,
      { polling: 'raf' },
    )
    took.push(performance.now() - startMs)
    await alone
  }
  console.log(
    `\nA shot that one of ${TABLETS} tablets recorded, until another shows it, ${SHOTS} times (goal ${GOAL_MS} ms at the 99th percentile):`,
  )
  console.log(
    `  shown       median ${within(took, 0.5).toFixed(0)} ms, p99 ${within(took, 0.99).toFixed(0)} ms`,
  )
  console.log(
    `  the list alone, asked for at once: median ${within(asked, 0.5).toFixed(0)} ms; ratio of medians ${(within(took, 0.5) / within(asked, 0.5)).toFixed(1)}`,
  )
} finally {
  over.abort()
  await browser.close()
  await app.remove()
}
