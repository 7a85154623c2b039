import { reportBench } from './evaluate/bench/reportBench.ts'
import { reportDiagnosis } from './evaluate/diagnosis/reportDiagnosis.ts'
import { reportStatements } from './evaluate/diagnosis/reportStatements.ts'
import { reportTold } from './evaluate/diagnosis/reportTold.ts'
import { writeAll } from './evaluate/diagnosis/written.ts'
import { reportDialIn } from './evaluate/dialIn/reportDialIn.ts'
import { reportSignOff } from './evaluate/signOff/reportSignOff.ts'
import { reportSkill } from './evaluate/skill/reportSkill.ts'

/** Seeds that nothing was tuned on. */
const FIRST_SEED = 20_260_000
const CASES = 2500

const parts: Record<string, () => void> = {
  bench: reportBench,
  diagnosis: () => reportDiagnosis(FIRST_SEED, CASES),
  told: () => reportTold(process.argv.includes('held')),
  statements: () => reportStatements(FIRST_SEED, 100_000),
  dialin: () => reportDialIn(FIRST_SEED),
  skill: () => reportSkill(FIRST_SEED),
  signoff: () => reportSignOff(FIRST_SEED),
}
/** Written only when asked for by name. */
const writing: Record<string, () => void> = { write: writeAll }

const asked = process.argv.slice(2).filter((part) => part !== 'held')
const unknown = asked.filter((part) => !(part in parts) && !(part in writing))
if (unknown.length > 0) {
  console.error(`There is no part "${unknown.join(' ')}". Parts: ${Object.keys(parts).join(', ')}.`)
  process.exit(2)
}
for (const [name, run] of Object.entries(writing)) if (asked.includes(name)) run()
for (const [name, run] of Object.entries(parts)) if (asked.length === 0 || asked.includes(name)) run()
