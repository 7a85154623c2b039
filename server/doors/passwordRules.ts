import { dictionary } from '@zxcvbn-ts/language-common'
import { refuseField } from '../refusal.ts'

const COMMON = new Set(dictionary['passwords-common'].map((each) => each.toLowerCase()))

/**
 * Refuses what would be guessed first: a common password, one letter over and over, or the person's own names.
 * @throws {Refusal} `invalid-input` at `path`
 */
export function refuseGuessable(password: string, path: string, ownNames: readonly string[]): void {
  const small = password.toLowerCase()
  const isCommon = COMMON.has(small) || COMMON.has(small.replaceAll(/\d+$/g, '')) || /^(.)\1*$/u.test(small)
  if (isCommon)
    throw refuseField(path, 'common', 'Many people use this one, so it would be tried first. Choose another.')
  if (ownNames.some((name) => name !== '' && small === name.toLowerCase()))
    throw refuseField(path, 'own-name', 'That is your own name. Choose another.')
}
