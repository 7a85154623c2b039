import { nextTick, ref } from 'vue'
import { usePrintedSetting } from './usePrintedSetting.ts'

function fieldOver(text: string, letters: number) {
  const [kept, lettersPerNumber] = [ref(text), ref(letters)]
  return { kept, lettersPerNumber, typed: usePrintedSetting(kept, () => lettersPerNumber.value) }
}

test('on a scale with letters a setting is typed as it is printed, and its number is kept', () => {
  const { kept, typed } = fieldOver('3.25', 4)
  expect(typed.value).toBe('3B')
  typed.value = '9c'
  expect([typed.value, kept.value]).toEqual(['9c', '9.5'])
  typed.value = '9'
  expect([typed.value, kept.value]).toEqual(['9', '9'])
})

test('what is no setting of the scale stays as typed, for its field to say so', () => {
  const { kept, typed } = fieldOver('', 4)
  typed.value = '9E'
  expect([typed.value, kept.value]).toEqual(['9E', '9E'])
})

test('a scale of numbers alone takes what is typed, comma and all', () => {
  const { kept, typed } = fieldOver('14', 0)
  typed.value = '14,5'
  expect([typed.value, kept.value]).toEqual(['14,5', '14,5'])
})

test('filled from elsewhere it is shown as printed; between two letters only its number says it', async () => {
  const { kept, typed } = fieldOver('', 4)
  kept.value = '7.75'
  await nextTick()
  expect(typed.value).toBe('7D')
  kept.value = '7.3'
  await nextTick()
  expect(typed.value).toBe('7.3')
})
