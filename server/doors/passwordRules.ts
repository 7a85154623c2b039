import { dictionary } from '@zxcvbn-ts/language-common'
import { refuseField } from '../refusal.ts'

const COMMON = new Set(dictionary['passwords-common'].map((each) => each.toLowerCase()))

const DIGITS = '01234567890123456789'

/**
 * Refuses the PINs that would be tried first: one digit over and over, digits in a row, two that take turns.
 * @throws {Refusal} `invalid-input` at `path`
 */
export function refuseEasyPin(pin: string, path: string): void {
  const backwards = Array.from(pin).reverse().join('')
  const digits = Array.from(pin)
  const takesTurns = digits.every((digit, no) => no < 2 || digit === digits[no - 2])
  if (takesTurns || DIGITS.includes(pin) || DIGITS.includes(backwards))
    throw refuseField(path, 'common', 'Many people use this one, so it would be tried first. Choose another.')
}

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
