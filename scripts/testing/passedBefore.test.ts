import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { join, relative } from 'node:path'
import { CHECKOUT } from '../machine/checkout.ts'
import { unlessPassed } from './passedBefore.ts'

/** Inside the checkout, since that is where checks read; the folder is none of git's. */
const BELOW = join(CHECKOUT, 'node_modules/.cache')
let folder = ''
let runs = 0
let name = ''
beforeEach(() => {
  mkdirSync(BELOW, { recursive: true })
  folder = mkdtempSync(join(BELOW, 'passed-before-'))
  name = relative(BELOW, folder)
  writeFileSync(join(folder, 'read.ts'), 'export const one = 1\n')
  runs = 0
})
afterEach(() => {
  rmSync(folder, { recursive: true })
  rmSync(join(BELOW, 'calm-apron', name), { force: true })
})

const check = (holds: boolean) =>
  unlessPassed(name, [relative(CHECKOUT, folder)], () => {
    runs += 1
    return Promise.resolve(holds)
  })

test('what passed is not run again while what it reads says the same', async () => {
  expect([await check(true), await check(true), runs]).toEqual([true, true, 1])
})

test('a changed file, a new one, or one by another name runs it again', async () => {
  await check(true)
  writeFileSync(join(folder, 'read.ts'), 'export const one = 2\n')
  await check(true)
  writeFileSync(join(folder, 'another.ts'), '')
  await check(true)
  expect(runs).toBe(3)
})

test('what failed is run again until it passes, and a pass of before does not hide it', async () => {
  await check(true)
  writeFileSync(join(folder, 'read.ts'), 'broken')
  expect([await check(false), await check(false), runs]).toEqual([false, false, 3])
  writeFileSync(join(folder, 'read.ts'), 'export const one = 1\n')
  expect([await check(true), runs]).toEqual([true, 4])
})
