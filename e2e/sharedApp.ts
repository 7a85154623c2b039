import { randomBytes } from 'node:crypto'
import { type TestApp, startTestApp } from '@calm-apron/scripts/testing'
import { request as requests } from '@playwright/test'
import { givePassword, newId } from './people.ts'
import { HEAD, type Place, TRAINEE, TRAINER } from './place.ts'

/** The demo's academy; copies of it are the stories' own. */
const DEMO_ACADEMY = '019a5c00-0000-7001-8000-000000000001'

/** The demo's people keep their own sign-in names; those of the pattern that stories copy begin with this. */
const PATTERN_TAG = 'pattern.'

/** One server for many stories: each in an academy of its own, a copy of the demo's in which those who sign in can. */
export class SharedApp {
  private constructor(
    readonly app: TestApp,
    private readonly patternId: string,
  ) {}

  static async start(): Promise<SharedApp> {
    const app = await startTestApp()
    const place = { url: app.url, tag: null }
    const request = await requests.newContext()
    for (const name of [TRAINER, TRAINEE, HEAD]) await givePassword(place, request, name)
    await request.dispose()
    const patternId = newId()
    await app.database.copyAcademy({ from: DEMO_ACADEMY, to: patternId, tag: PATTERN_TAG })
    await app.database.forgetAccounts(DEMO_ACADEMY)
    return new SharedApp(app, patternId)
  }

  /** The demo's own academy, whose door is open to anyone. */
  get demo(): Place {
    return { url: this.app.url, tag: null }
  }

  /** An academy that nobody else uses. */
  async openAcademy(): Promise<Place> {
    const tag = `s${randomBytes(4).toString('hex')}.`
    await this.app.database.copyAcademy({ from: this.patternId, to: newId(), tag })
    return { url: this.app.url, tag: `${tag}${PATTERN_TAG}` }
  }
}
