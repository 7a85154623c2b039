import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { sourceFiles } from './building/sourceFiles.ts'
import { CHECKOUT } from './machine/checkout.ts'
import { ROOMS } from './machine/rooms.ts'

const CODE = /\.(ts|vue|mjs|css)$/
const TEST = /(\.test\.ts$)|(\/testing\/)|(^e2e\/)/

const lines = { test: 0, other: 0 }
for (const file of sourceFiles(ROOMS).filter((path) => CODE.test(path))) {
  const count = readFileSync(join(CHECKOUT, file), 'utf8')
    .split('\n')
    .filter((line) => line.trim() !== '').length
  lines[TEST.test(file) ? 'test' : 'other'] += count
}
const share = lines.test / (lines.test + lines.other)
console.log(
  `${lines.test} lines of tests, ${lines.other} others: ${(share * 100).toFixed(1)} % tests (blank lines left out)`,
)
