import { CAUSES, NO_CONTEXT, diagnose, readShot, settingShown } from '@calm-apron/core'
import { makeCase } from '@calm-apron/core/bench'
import { DROP_RECIPE, GRINDER, PUMP_RECIPE, carefulShot, taste } from '@calm-apron/core/testing'
import { inSetup } from '../../testing/inSetup.ts'
import { useDiagnosisWords } from './useDiagnosisWords.ts'
import { useFactWords } from '../../shot/reading/useFactWords.ts'

const { result: words } = await inSetup(() => ({ ...useDiagnosisWords(), ...useFactWords() }))

/** A key of the catalogue that had no words: `move.grindFiner`. */
const BARE_KEY = /^[a-z]\w*(\.[\w-]+)+$/

function saidOf(facts: Parameters<typeof readShot>[0], context = NO_CONTEXT, recipe = PUMP_RECIPE): string[] {
  const diagnosis = diagnose(readShot(facts, recipe, context), {
    setting: facts.grindSetting,
    grinder: GRINDER,
  })
  return [
    words.namedWords(diagnosis),
    words.mendTooWords(diagnosis),
    words.moveWords(diagnosis, facts.grindSetting),
    ...diagnosis.why.map(words.reasonWords),
    ...diagnosis.evidence.map(words.evidenceWords),
  ]
}

test('whatever the core comes to has words: forty shots with hidden causes, none of them with a bare key', () => {
  const seen = new Set<string>()
  for (let seed = 0; seed < 40; seed += 1) {
    const { facts, context, recipe, causes } = makeCase(seed, (seed % 5) / 4, [PUMP_RECIPE, DROP_RECIPE])
    for (const cause of causes) seen.add(cause)
    const said = saidOf(facts, context, recipe)
    expect(said.filter((text) => BARE_KEY.test(text) || text.includes('undefined'))).toEqual([])
    expect(said[0]).not.toBe('')
  }
  // Half of all faults must have come up, or this shows little.
  expect(seen.size).toBeGreaterThan(0.5 * CAUSES.length)
})

test('on a grinder that prints letters the move is said as it prints them', () => {
  const move = { lever: 'grind', direction: 'finer' } as const
  const grindTo = { steps: 2, toSetting: 9, ranWellAt: 9.25 }
  const said = words.moveWords({ move, grindTo }, 9.5, (setting) => settingShown(setting, 4))
  expect(said).toContain('From 9C to 9A')
  expect(said).toContain('9B')
})

test('a fast sour shot asks for a finer grind, from where to where, with how sure it is', () => {
  const said = saidOf(carefulShot({ firstDropS: 4, stopS: 19 }, { taste: taste(8, 3, 2) }))
  expect(said[0]).toMatch(/^(Almost certain|Likely): the grind is too coarse\.$/)
  expect(said[2]).toMatch(/^Grind finer: \d+ steps?\. From 14 to \d+\./)
})

test('a wrong dose is trimmed by its grams, and the grind is held', () => {
  expect(saidOf(carefulShot({ doseG: 19.4, stopS: 34 }))[2]).toContain('1.4 g')
  expect(saidOf(carefulShot({ doseG: 16.9, stopS: 22 }))[2]).toContain('1.1 g')
})

test('a good cup is left as it is', () => {
  const [cause = ''] = saidOf(carefulShot({}, { taste: taste(4, 7, 4) }))
  expect(cause).toBe('Nothing to mend.')
})

test('a shot of which little is known asks for the one thing that would tell most', () => {
  const { clock: _clock, cup: _cup, ...rest } = carefulShot()
  const said = saidOf({ ...rest, clock: null, cup: null, dose: null })
  expect(said[2]).toMatch(/\.$/)
  expect(BARE_KEY.test(said[2] ?? '')).toBe(false)
})

test('a correction says what was and what is, and only of what changed', () => {
  const before = carefulShot({ stopS: 21.6 })
  expect(words.changes(before, carefulShot({ stopS: 28.6 }))).toEqual(['Stopped: 21.6 s → 28.6 s'])
  expect(words.changes(before, before)).toEqual([])
  const tilted = { ...before, tamp: { tilt: 'clear', lowSide: 'front', settled: true } as const }
  expect(words.changes(before, tilted)).toEqual([
    'Seen from above: Level → Clear tilt',
    'Low side: not noted → Front',
  ])
})

test('what is not known says so, line by line', () => {
  const lines = words.lines({ ...carefulShot(), dose: null, cup: null, clock: null })
  const of = (label: string) => lines.find((line) => line.label === label)?.value
  expect([of('Dose'), of('Stopped'), of('First drop')]).toEqual([of('Cup'), of('Cup'), of('Cup')])
})
