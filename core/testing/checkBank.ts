import type { Cause } from '../diagnosis/causes.ts'
import { judge } from '../diagnosis/statement.ts'
import type { Statement } from '../diagnosis/types.ts'
import { readShot } from '../reading/readShot.ts'
import type { Recipe } from '../recipe/recipe.ts'
import { SIGNS_BY_HAND } from '../shot/signEntries.ts'
import type { ShotFacts } from '../shot/facts.ts'
import { type BankShot, bankShot } from './shotBank.ts'
import { STATEMENT_RULES } from './statementRules.ts'

/** A rule that was broken, and by which shot of the bank. */
export interface Breach {
  rule: string
  seed: number
}

/** Each shot of the bank with the statement's rules, and every so many with what must not change by how it is asked. */
const VARIED_EVERY = 5
/** A sign that moves the odds by less than this says nothing. */
const LEAST_SAID = 0.1

/** Puts the rules to a bank of shots in one pass. @param seeds the first, and how many */
export function checkBank([from, count]: readonly [number, number]): Breach[] {
  const breaches: Breach[] = []
  for (let seed = from; seed < from + count; seed += 1) {
    const shot = bankShot(seed)
    const { statement, readings } = said(shot)
    for (const [rule, holds] of Object.entries(STATEMENT_RULES))
      if (!holds(statement, readings, shot)) breaches.push({ rule, seed })
    if (seed % VARIED_EVERY !== 0) continue
    for (const [rule, holds] of Object.entries(VARIED))
      if (!holds(statement, shot)) breaches.push({ rule, seed })
  }
  return breaches
}

function said({ facts, recipe, context, grind }: BankShot) {
  return judge(readShot(facts, recipe, context), grind)
}

const asTold = ({ heading, named, move }: Statement) => JSON.stringify([heading, named, move])

/** What must hold between a shot and the same shot asked otherwise. */
const VARIED: Record<string, (statement: Statement, shot: BankShot) => boolean> = {
  'the same instants on another clock: the same statement': (statement, shot) => {
    const recipe = onTheOtherClock(shot)
    return recipe === null || asTold(said({ ...shot, recipe }).statement) === asTold(statement)
  },
  'slower never turns into finer': ({ move }, shot) => {
    if (move.lever !== 'grind' || move.direction !== 'coarser') return true
    const slower = later(shot.facts, 8)
    const its = slower === null ? move : said({ ...shot, facts: slower }).statement.move
    return its.lever !== 'grind' || its.direction === 'coarser'
  },
  'more evidence for what is named never unnames it': ({ named, heading, causes }, shot) => {
    const [first] = named.causes
    if (named.as === 'unclear' || named.as === 'either' || first === undefined || first === 'none')
      return true
    // Less likely than that it was named as what leads, not because it carries.
    if ((causes.find(({ cause }) => cause === first)?.probability ?? 0) < 0.4) return true
    return SIGNS_BY_HAND.every((sign) => {
      if (shot.context.signs[sign] !== undefined) return true
      const context = { ...shot.context, signs: { ...shot.context.signs, [sign]: true } }
      const more = said({ ...shot, context })
      const speaksFor = (cause: Cause) =>
        more.inference.contributions(cause).find(({ key }) => key === sign)?.logOdds ?? 0
      const by = speaksFor(first)
      // A sign that makes it another sort of shot is not more of the same; and no more than two are named at once.
      if (by <= LEAST_SAID || more.statement.heading !== heading || carrying(more.statement) > 2) return true
      const { causes: now } = more.statement.named
      // What speaks more for another is that one's evidence.
      return now.some((cause) => cause === first || speaksFor(cause) > by)
    })
  },
  'what a learner noted moves nothing': (statement, shot) => {
    if (shot.context.tongue === 'trusted') return true
    const untasted = {
      ...shot.facts,
      taste: { sour: null, sweet: null, bitter: null, body: null, dryness: null },
    }
    const bare = said({ ...shot, facts: untasted }).statement
    return (
      bare.heading === statement.heading &&
      (asTold(bare) === asTold(statement) ||
        (statement.move.lever === 'observe' && statement.move.observation === 'trainer-taste'))
    )
  },
}

/** How many causes carry enough to be named, or were seen. */
function carrying({ causes, named }: Statement): number {
  const likely = causes.filter(({ probability }) => probability >= 0.4).map(({ cause }) => cause)
  return new Set([...likely, ...named.causes]).size
}

/** The recipe with its window told on another clock, for a shot whose marks are known; null where that can't be. */
function onTheOtherClock({ facts: { clock }, recipe }: BankShot): Recipe | null {
  const firstDropS = clock?.firstDropS ?? null
  if (firstDropS === null || recipe.clock === 'pressure') return null
  const by = recipe.clock === 'pump' ? -firstDropS : firstDropS
  // In the digits that a recipe is written in.
  const tenths = (s: number) => Math.round(10 * s) / 10
  const [timeMinS, timeMaxS] = [tenths(recipe.timeMinS + by), tenths(recipe.timeMaxS + by)]
  return timeMinS < 1
    ? null
    : { ...recipe, clock: recipe.clock === 'pump' ? 'drop' : 'pump', timeMinS, timeMaxS }
}

function later(facts: ShotFacts, byS: number): ShotFacts | null {
  const { clock } = facts
  return clock === null ? null : { ...facts, clock: { ...clock, stopS: clock.stopS + byS } }
}
