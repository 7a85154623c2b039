import fc from 'fast-check'
import { GRINDER, PUMP_RECIPE, carefulShot } from '../testing/examples.ts'
import { bankShot } from '../testing/shotBank.ts'
import { SAFE } from '../testing/statementRules.ts'
import { NO_CONTEXT } from '../reading/context.ts'
import { readShot } from '../reading/readShot.ts'
import { type ShotFacts, unknownFacts } from '../shot/facts.ts'
import { READING_KINDS } from '../skill/types.ts'
import { FOCUS_NAMES, FOCUS_PARTS, type Focus, focusNamed, isLookedAt } from '../training/focus.ts'
import { diagnose } from './diagnose.ts'
import { isLookInFocus } from './nextLook.ts'

/** What can be entered where the day looks at no more than this. */
function entered(facts: ShotFacts, focus: Focus): ShotFacts {
  const none = unknownFacts()
  const on = (part: (typeof FOCUS_PARTS)[number]) => isLookedAt(focus, part)
  return {
    ...facts,
    ...(!on('dose') && { dose: none.dose }),
    ...(!on('tamp') && { tamp: none.tamp }),
    ...(!on('yield') && { cup: none.cup }),
    ...(!on('time') && { clock: none.clock }),
    ...(!on('taste') && { taste: none.taste }),
    ...(!on('ready') && { machineHot: null, basketDry: null, basketClean: null, rightBasket: null }),
    ...(!on('bed') && { bedEven: null, grinderPurged: null }),
    look: { stream: on('stream') ? facts.look.stream : null, puck: on('puck') ? facts.look.puck : null },
  }
}

const focuses = fc.oneof(
  fc.constantFrom(...FOCUS_NAMES).map(focusNamed),
  fc.subarray([...FOCUS_PARTS], { minLength: 1 }).map((on) => ({ on, fullEvery: 3 })),
)

test('whatever the day looks at: nothing else is asked for, judged or charged, and every caution stays', () => {
  fc.assert(
    fc.property(fc.nat({ max: 40_000 }), focuses, (seed, focus) => {
      const shot = bankShot(seed)
      const context = { ...shot.context, focus }
      const readings = readShot(entered(shot.facts, focus), shot.recipe, context)
      const said = diagnose(readings, shot.grind)
      for (const kind of READING_KINDS)
        if (!isLookedAt(focus, kind)) {
          expect(readings[kind]).toEqual({ judged: false, why: 'not-looked-at' })
          expect(readings.accounts[kind]).toBe('nobody')
          expect(said.right).not.toBe(kind)
        }
      if (said.move.lever === 'observe') expect(isLookInFocus(said.move.observation, context)).toBe(true)
      if (said.lookNext) expect(isLookInFocus(said.lookNext.observation, context)).toBe(true)
      for (const [rule, holds] of Object.entries(SAFE))
        expect([rule, holds(said, readings, shot)]).toEqual([rule, true])
    }),
    { numRuns: 200 },
  )
})

describe('in the first week', () => {
  const say = (facts: ShotFacts) =>
    diagnose(readShot(facts, PUMP_RECIPE, { ...NO_CONTEXT, focus: focusNamed('first-week') }), {
      setting: 14,
      grinder: GRINDER,
    })
  const hands = (also: Partial<ShotFacts> = {}) => {
    const { dose, tamp } = carefulShot()
    return { ...unknownFacts(), dose, tamp, ...also }
  }

  test('what was right is said to be so, and kept', () => {
    expect(say(hands())).toMatchObject({
      heading: 'well-prepared',
      move: { lever: 'leave' },
      right: 'tamp',
      causes: [],
    })
  })

  test('one thing is to be mended, of dose and tamp the dose first', () => {
    const facts = hands({
      dose: { by: 'net', netG: 17 },
      tamp: { tilt: 'clear', lowSide: 'left', settled: true },
    })
    expect(say(facts)).toMatchObject({
      heading: 'mend-preparing',
      move: { lever: 'dose', direction: 'more' },
      mendToo: ['tamp-tilted'],
    })
  })

  test('what nobody looked at is asked for, and nothing behind it', () => {
    expect(say(unknownFacts()).move).toEqual({ lever: 'observe', observation: 'weigh-dose' })
    expect(say(hands({ tamp: unknownFacts().tamp })).move).toEqual({
      lever: 'observe',
      observation: 'check-tamp',
    })
  })

  test('a choke that somebody noted all the same keeps its caution', () => {
    expect(say(hands({ abandoned: 'choked' }))).toMatchObject({
      heading: 'choked',
      pressureCaution: 'choked',
    })
  })
})
