/**
 * What the web makes of facts that were added to the table alone, as JSON. Run in a process of its own by `toyFacts.test.ts`:
 * all that is made from the table is loaded after they are in it.
 */
import { addToyFacts, carefulShot } from '@calm-apron/core/testing'

addToyFacts()
const { inSetup } = await import('./inSetup.ts')
const { DRAFT } = await import('./house.ts')
const { shotFacts } = await import('@calm-apron/contract')
const { BAR_STEPS, noNotes } = await import('@calm-apron/core')
const { FACT_ROWS, rowsAt } = await import('../shot/facts/factRows.ts')
const { answered, typedAs } = await import('../shot/facts/draftAnswers.ts')
const { draftOf, upToDate } = await import('../shot/draft/shotDraft.ts')
const { readDraft } = await import('../shot/draft/readDraft.ts')
const { useFactWords } = await import('../shot/reading/useFactWords.ts')

const toys = FACT_ROWS.filter(({ name }) => name.startsWith('toy'))
const asked = BAR_STEPS.flatMap((step) => rowsAt(step, 'more')).filter((each) => toys.includes(each))

/** A shot in which a hand answers every toy at the bar. */
const typed = draftOf(DRAFT)
answered(typed, { part: 'noted', name: 'toyStatic' }, true)
answered(typed, { part: 'noted', name: 'toyGlow' }, 'bright')
typedAs(typed, 'toyHeightMm', '12,5')
const { facts } = readDraft(typed)
typedAs(typed, 'toyHeightMm', '99')
const tooHigh = readDraft(typed).issues

/** The same shot as the server takes it, opened again to be corrected, in one thing. */
const stored = shotFacts.parse({ ...carefulShot(), noted: { ...noNotes(), ...facts.noted } })
const correction = draftOf(DRAFT, stored)
const untouched = readDraft(correction).facts
answered(correction, { part: 'noted', name: 'toyGlow' }, 'dim')

const { result: words, end } = await inSetup(() => useFactWords())
/** A draft and a shot of before the toys were asked. */
const {
  toyStatic: _static,
  toyGlow: _glow,
  toyHeightMm: _height,
  ...former
} = { ...facts.noted } as object as Record<string, unknown>
const formerDraft = readDraft(upToDate({ ...draftOf(DRAFT), noted: former as never })).facts
process.stdout.write(
  JSON.stringify({
    asked: asked.map(({ name }) => name),
    typed: facts.noted,
    tooHigh,
    isUntouchedTheSame: words.changes(stored, untouched).length === 0,
    changes: words.changes(stored, readDraft(correction).facts),
    lines: words.lines(stored).filter(({ label }) => label.startsWith('fact.toy')),
    formerShot: shotFacts.parse({ ...carefulShot(), noted: former }).noted,
    formerDraft: formerDraft.noted ?? null,
  }),
)
end()
process.exit(0)
