import { readdirSync } from 'node:fs'
import { createNodeResolver, importX } from 'eslint-plugin-import-x'

/**
 * The one rule between the rooms: what each may import of ours.
 * @type {Record<string, string[]>}
 */
const MAY_IMPORT = {
  core: [],
  contract: ['core'],
  server: ['core', 'contract'],
  web: ['core', 'contract'],
  demo: ['core', 'contract'],
  devices: ['core', 'contract'],
  scripts: [],
  e2e: ['scripts'],
  releases: ['contract', 'demo', 'scripts'],
  benchmarks: ['core', 'contract', 'demo', 'scripts'],
}
export const ROOMS = Object.keys(MAY_IMPORT)

/**
 * @param {string} room
 * @param {string[]} allowed
 */
const wall = (room, allowed) => ({
  target: `./${room}`,
  from: ROOMS.filter((other) => other !== room && !allowed.includes(other)).map((other) => `./${other}`),
  message: `The room ${room} may import ${allowed.length > 0 ? allowed.join(', ') : 'nothing of ours'}.`,
})
/**
 * Within the web one direction: what stands later may import what stands before it. A place imports no other place, but for
 * those named here.
 */
const WEB_ROOMS = ['kit', 'data', 'shot', 'places', 'shell']
/** @type {Record<string, string[]>} */
const PLACES_TOGETHER = { settings: ['doors', 'people'] }
const PLACES = readdirSync(new URL('../../web/places', import.meta.url))

const webWalls = [
  ...WEB_ROOMS.map((room, at) => ({
    target: `./web/${room}`,
    from: WEB_ROOMS.slice(at + 1).map((later) => `./web/${later}`),
    message: `In the web ${room} may import only what stands before it: ${WEB_ROOMS.slice(0, at).join(', ') || 'nothing'}.`,
  })),
  ...PLACES.map((place) => ({
    target: `./web/places/${place}`,
    from: PLACES.filter((other) => other !== place && !PLACES_TOGETHER[place]?.includes(other)).map(
      (other) => `./web/places/${other}`,
    ),
    message: `The place ${place} may import no other; what several share stands in web/shot.`,
  })),
].filter(({ from }) => from.length > 0)

const walls = [...Object.entries(MAY_IMPORT).map(([room, allowed]) => wall(room, allowed)), ...webWalls]

/**
 * The walls between all rooms, with what the rule needs to follow an import.
 * @type {import('eslint').Linter.Config}
 */
export const WALLS = {
  plugins: { 'import-x': importX },
  settings: {
    'import-x/resolver-next': [
      createNodeResolver({
        extensions: ['.ts', '.vue', '.js', '.mjs'],
        conditionNames: ['node', 'import', 'default'],
      }),
    ],
  },
  rules: { 'import-x/no-restricted-paths': ['error', { zones: walls }] },
}

/**
 * The server's tests run against the harness's database.
 * @type {import('eslint').Linter.Config}
 */
export const SERVER_TEST_WALLS = {
  files: ['server/**/*.test.ts', 'server/testing/**'],
  rules: {
    'import-x/no-restricted-paths': [
      'error',
      { zones: [wall('server', [...(MAY_IMPORT['server'] ?? []), 'demo', 'scripts'])] },
    ],
  },
}
