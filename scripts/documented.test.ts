import { ESLint } from 'eslint'
import { CHECKOUT } from './machine/checkout.ts'

/** Looked for as the project looks at its files. */
const eslint = new ESLint({ cwd: CHECKOUT })
const lacking = async (code: string) => {
  const [result] = await eslint.lintText(code, { filePath: 'core/coffee/age.ts' })
  return (result?.messages ?? [])
    .filter(({ ruleId }) => ruleId === 'own/documented')
    .map(({ message }) => message.split(' ')[0])
}

test('an export without a doc comment is named, whatever it is', async () => {
  expect(
    await lacking(`
      export function grams() {}
      export const A = 1, B = 2
      export interface Cup {}
      // No doc comment.
      export type Bean = string
      /* Nor this. */
      export class Trouble extends Error {}
      const own = 1
    `),
  ).toEqual(['grams', 'A', 'B', 'Cup', 'Bean', 'Trouble'])
})

test('a value and the type made of it by itself say it once, whichever does', async () => {
  expect(
    await lacking(`
      /** Sides. */
      export const SIDES = ['left'] as const
      export type Side = (typeof SIDES)[number]
      export const KINDS = { a: 1 } as const
      /** Its kinds. */
      export type Kind = keyof typeof KINDS
      /** A cup as it is sent. */
      export const cup = z.object({})
      export type Cup = z.infer<typeof cup>
      export type Both = Side | Kind
    `),
  ).toEqual(['Both'])
})
