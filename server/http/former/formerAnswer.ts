import { CONTRACT_HEADER, CONTRACT_VERSION, ENDPOINTS, type Endpoint, type Shape } from '@calm-apron/contract'
import type { Request } from 'express'
import answers from './answers.json' with { type: 'json' }

/** As `npm run keep-release` wrote it down of the last release; a list of one shape is a tuple to us, no more than a list to JSON. */
const SHAPES = answers as unknown as Readonly<Record<string, Shape>>

const NAME_OF = new Map<Endpoint, string>(
  Object.entries<Endpoint>(ENDPOINTS).map(([name, endpoint]) => [endpoint, name]),
)

/** What pages of the last release call what has other words since. */
const FORMER_WORD: Readonly<Record<string, string>> = {
  reference: 'experiment',
  'dial-in': 'experiment',
  demonstration: 'experiment',
  comparison: 'experiment',
  'basket-line': 'line',
  mound: 'eye',
  seconds: 'eye',
}

/** What the last release could only say of some of it; of the rest it is told that nothing is known. */
const FORMER_NOTHING: ReadonlySet<string> = new Set(['dose'])

/** Whether a request comes from a page of an earlier release; those of the first named no version. */
export function isFormerPage(req: Pick<Request, 'get'>): boolean {
  return !(Number(req.get(CONTRACT_HEADER)) >= CONTRACT_VERSION)
}

/** An answer as the last release gave it: without what it did not know, and in its words. */
export function formerAnswer(endpoint: Endpoint, answer: unknown): unknown {
  const shape = SHAPES[NAME_OF.get(endpoint) ?? '']
  return shape === undefined ? answer : inShape(answer, shape)
}

export function formerProblem(problem: object): unknown {
  return inShape(problem, SHAPES['problem'] ?? 1)
}

/** Of what can't be said in the former words at all. */
const UNSAYABLE = Symbol('unsayable')

function inShape(value: unknown, shape: Shape): unknown {
  const said = say(value, shape)
  return said === UNSAYABLE ? null : said
}

function say(value: unknown, shape: Shape): unknown {
  if (value === null || value === undefined || typeof shape === 'number') return value
  if (typeof shape === 'string') return sayWord(value, shape.split('|'))
  if (Array.isArray(shape)) {
    // One member of a list that can't be said is left out.
    return Array.isArray(value)
      ? value.map((each) => say(each, shape[0])).filter((each) => each !== UNSAYABLE)
      : value
  }
  return typeof value === 'object' ? sayObject(value, shape) : value
}

function sayWord(value: unknown, words: readonly string[]): unknown {
  if (typeof value !== 'string' || words.includes(value)) return value
  const former = FORMER_WORD[value]
  return former !== undefined && words.includes(former) ? former : UNSAYABLE
}

function sayObject(value: object, shape: Record<string, Shape>): unknown {
  const by = shape['?']
  if (typeof by === 'string') {
    const way = shape[String(Reflect.get(value, by))]
    return way === undefined ? UNSAYABLE : say(value, way)
  }
  const said: Record<string, unknown> = {}
  for (const [key, each] of Object.entries(value) as [string, unknown][]) {
    const wanted = shape[key] ?? shape['*']
    if (wanted === undefined) continue
    said[key] = say(each, wanted)
    if (said[key] === UNSAYABLE && FORMER_NOTHING.has(key)) said[key] = null
    if (said[key] === UNSAYABLE) return UNSAYABLE
  }
  return said
}
