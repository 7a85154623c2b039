import { execFile } from 'node:child_process'
import { promisify } from 'node:util'

const run = promisify(execFile)
/** In a process of its own: nothing else may meet the toys. */
async function madeOfToys(script: string): Promise<Record<string, unknown>> {
  const { stdout } = await run(process.execPath, ['--import', 'tsx', script])
  return JSON.parse(stdout) as Record<string, unknown>
}

test('a fact that is added to the table, and nowhere else, is asked, typed, checked, stored, shown and corrected', async () => {
  const toys = { toyStatic: true, toyGlow: 'bright', toyHeightMm: 12.5 }
  const nothing = { toyStatic: null, toyGlow: null, toyHeightMm: null }
  expect(await madeOfToys('web/testing/madeOfToyFacts.ts')).toMatchObject({
    asked: ['toyStatic', 'toyHeightMm', 'toyGlow'],
    typed: toys,
    tooHigh: [{ field: 'toyHeightMm', step: 'dose', issue: { code: 'above', limit: 30 } }],
    isUntouchedTheSame: true,
    changes: ['fact.toyGlow.label: fact.toyGlow.is.bright → fact.toyGlow.is.dim'],
    lines: [
      { label: 'fact.toyStatic.label', value: 'Yes' },
      { label: 'fact.toyGlow.label', value: 'fact.toyGlow.is.bright' },
      { label: 'fact.toyHeightMm.label', value: '12.5' },
    ],
    formerShot: nothing,
    formerDraft: null,
  })
})
