import { readFileSync } from 'node:fs'
import { gunzipSync } from 'node:zlib'
import { type HalfYear, halfYear } from './halfYear/index.ts'
import { MADE_FOR, shiftedTo } from './halfYear/shifted.ts'
import { demoAcademy, withHalfYear } from './index.ts'

// Usage: node print.js [half-year] > academy.json, or, while it is built: node print.js make-half-year > half-year.json
// The half-year is made while the app is built, and lies packed beside this: then its days are moved to today.
const now = new Date()
const made = {
  'half-year': () => withHalfYear(now, JSON.parse(shiftedTo(now, packed())) as HalfYear),
  'make-half-year': () => halfYear(MADE_FOR),
  'as-it-is': () => demoAcademy(now),
}
const packed = () => gunzipSync(readFileSync(new URL('./half-year.json.gz', import.meta.url))).toString()
const [, , asked = 'as-it-is'] = process.argv
const make = Object.entries(made).find(([name]) => name === asked)?.[1]
if (make === undefined) throw new Error(`There is no demo called ${asked}.`)
process.stdout.write(JSON.stringify(make()))
