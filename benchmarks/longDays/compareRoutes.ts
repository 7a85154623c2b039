import { createHash } from 'node:crypto'
import pg from 'pg'
import { barePage } from '../barePage.ts'
import { comeIn } from '../comeIn.ts'
import {
  type RawStatement,
  planOf,
  auditRows,
  oneShotRows,
  preparedRows,
  runRaw,
  shotRows,
  skillRows,
  trainingRows,
} from './rawSql.ts'

/** How long a route takes, and the same rows by hand-written SQL, in ms; medians of turns taken one after the other. */
export interface Compared {
  name: string
  routeMs: number
  /** null where nobody would write it by hand. */
  rawMs: number | null
  /** How the database goes about the rows, where the route misses its goal; else nothing. */
  plan: string[]
}

/** A route may take half as long again as its rows by hand, or so many ms more where those take less than eight. */
const isMissed = (routeMs: number, rawMs: number) =>
  rawMs >= 8 ? routeMs > 1.5 * rawMs : routeMs > rawMs + 4

interface Route {
  name: string
  path: string
  raw: RawStatement[] | null
}

interface ShotPage {
  shots: { shotId: string; personId: string; pulledAt: string; trainingId: string }[]
  nextCursor: string | null
}
interface ThingPage {
  things: { preparedId: string; content: { name: string } }[]
  nextCursor: string | null
}

const TURNS = 60
const PAGE = 20
const LONG_PAGE = 100
const FAR_PAGE = 50

/** Compares the routes that people wait for, at an app and the database it runs on. */
export async function compareRoutes(url: string, databaseUrl: string): Promise<Compared[]> {
  const cookie = await comeIn(url, 'head')
  const inWords = barePage(url, cookie)
  const page = barePage(url, cookie, { 'Accept-Encoding': 'gzip, deflate, br' })
  const client = new pg.Client({ connectionString: databaseUrl })
  await client.connect()
  try {
    const asked = async (page: ReturnType<typeof barePage>, path: string): Promise<string> => {
      const { status, body } = await page.send('GET', path)
      if (status !== 200) throw new Error(`${path}: ${status} ${body.toString()}`)
      return body.toString()
    }
    const ask = (path: string) => asked(page, `/api/v1${path}`)
    const token = /calm_apron_session=([^;]+)/.exec(cookie)?.[1] ?? ''
    const tokenHash = createHash('sha256').update(token).digest('base64url')
    // What every answer takes, whatever it says: the line, the page's side of it, and nothing asked of the database.
    const [empty = []] = await inTurns([() => asked(page, '/healthz')])
    const compared: Compared[] = [{ name: 'an empty answer', routeMs: median(empty), rawMs: null, plan: [] }]
    for (const { name, path, raw } of await routesOf((path) => asked(inWords, `/api/v1${path}`))) {
      const [route = [], byHand = []] = await inTurns([
        () => ask(path),
        ...(raw === null ? [] : [() => runRaw(client, tokenHash, raw)]),
      ])
      const [routeMs, rawMs] = [median(route), raw === null ? null : median(byHand)]
      const isPlanTold = raw !== null && rawMs !== null && isMissed(routeMs, rawMs)
      compared.push({ name, routeMs, rawMs, plan: isPlanTold ? await planOf(client, tokenHash, raw) : [] })
    }
    return compared
  } finally {
    page.leave()
    inWords.leave()
    await client.end()
  }
}

/** Each in its turn, so that whatever else the machine does hits all alike. */
async function inTurns(works: readonly (() => Promise<unknown>)[]): Promise<number[][]> {
  const took: number[][] = works.map(() => [])
  for (let turn = -TURNS / 10; turn < TURNS; turn += 1)
    for (const [index, work] of works.entries()) {
      const startMs = performance.now()
      await work()
      if (turn >= 0) took[index]?.push(performance.now() - startMs)
    }
  return took
}

function median(values: number[]): number {
  return values.sort((a, b) => a - b)[Math.floor(values.length / 2)] ?? Number.NaN
}

async function routesOf(ask: (path: string) => Promise<string>): Promise<Route[]> {
  const shots = async (path: string) => JSON.parse(await ask(path)) as ShotPage
  const things = async (path: string) => JSON.parse(await ask(path)) as ThingPage
  const far = await farPage(shots, `/shots?limit=${PAGE}`)
  const end = far.before.shots.at(-1)
  if (end === undefined) throw new Error('There are no shots.')
  const { shotId, trainingId, personId } = end
  const farBags = await farPage(things, `/prepared?kind=bag&limit=${PAGE}`)
  const bagEnd = farBags.before.things.at(-1)
  const bagKey = [bagEnd?.content.name ?? '', bagEnd?.preparedId ?? ''] as const
  return [
    {
      name: 'shots of a person',
      path: `/shots?personId=${personId}&limit=${PAGE}`,
      raw: shotRows('shot.person_id = $1', [personId], PAGE + 1),
    },
    {
      name: `${LONG_PAGE} shots`,
      path: `/shots?limit=${LONG_PAGE}`,
      raw: shotRows('true', [], LONG_PAGE + 1),
    },
    {
      name: `shots, page ${FAR_PAGE}`,
      path: far.path,
      raw: shotRows(
        '(shot.pulled_at, shot.shot_id) < ($1::timestamptz, $2::uuid)',
        [end.pulledAt, shotId],
        PAGE + 1,
      ),
    },
    ...searched(),
    { name: 'one shot', path: `/shots/${shotId}`, raw: oneShotRows(shotId) },
    {
      name: 'coffees',
      path: `/prepared?kind=coffee&limit=${PAGE}`,
      raw: preparedRows('coffee', PAGE + 1, null),
    },
    { name: `bags, page ${farBags.no}`, path: farBags.path, raw: preparedRows('bag', PAGE + 1, bagKey) },
    { name: 'a training', path: `/trainings/${trainingId}`, raw: trainingRows(trainingId) },
    { name: 'the trail', path: '/audit?limit=50', raw: auditRows(51) },
    {
      name: 'the trail by a kind',
      path: '/audit?kind=person-renamed&limit=50',
      raw: auditRows(51, 'person-renamed'),
    },
    { name: 'today', path: '/today', raw: null },
    { name: 'the team', path: '/skill', raw: skillRows(null) },
    { name: 'one person', path: `/people/${personId}/skill`, raw: skillRows(personId) },
    { name: 'past trainings', path: '/past-trainings?limit=20', raw: null },
  ]
}

/** Shots that are looked for: by how a reading stood, by a cause that is often or hardly ever named, by a word. */
function searched(): Route[] {
  const said = (column: string, value: string) =>
    shotRows(
      `exists (select from shot_said s where s.academy_id = shot.academy_id and s.shot_id = shot.shot_id and s.${column} = $1)`,
      [value],
      PAGE + 1,
    )
  return [
    {
      name: 'shots by a reading',
      path: `/shots?reading=dose&standing=off&limit=${PAGE}`,
      raw: said('dose', 'off'),
    },
    {
      name: 'shots by a cause',
      path: `/shots?cause=dose-high&limit=${PAGE}`,
      raw: said('cause', 'dose-high'),
    },
    {
      name: 'by a rare cause',
      path: `/shots?cause=poor-water&limit=${PAGE}`,
      raw: said('cause', 'poor-water'),
    },
    {
      name: 'shots by a word',
      path: `/shots?text=heron&limit=${PAGE}`,
      raw: shotRows(
        `shot.shot_id in (select r.shot_id from free_text f join shot_revision r on r.note_text_id = f.text_id where f.content ilike $1)`,
        ['%heron%'],
        PAGE + 1,
      ),
    },
  ]
}

/** The fiftieth page, or the last of fewer: how it is asked for, and the page before it. */
async function farPage<P extends { nextCursor: string | null }>(
  read: (path: string) => Promise<P>,
  first: string,
) {
  let before = await read(first)
  let no = 2
  while (no < FAR_PAGE && before.nextCursor !== null) {
    const next = await read(`${first}&cursor=${encodeURIComponent(before.nextCursor)}`)
    if (next.nextCursor === null) break
    before = next
    no += 1
  }
  return { before, no, path: `${first}&cursor=${encodeURIComponent(before.nextCursor ?? '')}` }
}
