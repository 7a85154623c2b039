import { BUDGET_S, budgetLines, slowness } from './budget.ts'
import { PARTS, WAVES } from './parts.ts'

test('every part has a budget and a turn, and nothing else has', () => {
  expect(Object.keys(BUDGET_S).sort()).toEqual(Object.keys(PARTS).sort())
  expect(WAVES.flat().sort()).toEqual(Object.keys(PARTS).sort())
})

test('a part within its budget is told quietly, one over it loudly', () => {
  const [head, within, over] = budgetLines(
    [
      { part: 'unit', seconds: 1 },
      { part: 'api', seconds: 10_000 },
    ],
    1,
  )
  expect(head).toContain('1.0 times')
  expect(within).toMatch(/unit\s+1 s of \d+ s$/)
  expect(over).toMatch(/OVER BUDGET by \d+ s/)
})

test('on a machine twice as slow everything may take twice as long', () => {
  const [, once] = budgetLines([{ part: 'lint', seconds: 0 }], 1)
  const [, twice] = budgetLines([{ part: 'lint', seconds: 0 }], 2)
  const allowed = (line = '') => Number(/of (\d+) s/.exec(line)?.[1])
  expect(allowed(twice)).toBe(2 * allowed(once))
})

test('how slow the machine is comes out of work that it did', async () => {
  expect(await slowness()).toBeGreaterThan(0)
})
