// What tests and measurements of other rooms share with core's own.
export * from './examples.ts'
export { checkBank } from './checkBank.ts'
export type { Breach } from './checkBank.ts'
export { bankShot } from './shotBank.ts'
export type { BankShot } from './shotBank.ts'
export { addToyFacts } from './toyFacts.ts'
