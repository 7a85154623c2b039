import { hasHiddenLetters, skeletonOf, withoutHiddenLetters } from './hiddenLetters.ts'
import { name } from './primitives.ts'

test.each(['Ida\u202eMarsh', 'Ida\u200bMarsh', 'Ida\u2066Marsh', 'I\ufeffda', 'Ida\u3164', 'Ida\u{e0041}'])(
  'a letter that nobody sees is found, and refused in a name: %j',
  (text) => {
    expect(hasHiddenLetters(text)).toBe(true)
    expect(hasHiddenLetters(withoutHiddenLetters(text))).toBe(false)
    expect(name.safeParse(text).error?.issues[0]).toMatchObject({ params: { reason: 'hidden-letter' } })
  },
)

test.each(['Mirren Kestle', 'Þóra Ægisdóttir', 'ნინო', '李雷', 'مریم\u200cسادات', 'Ana 🌊'])(
  'names of many scripts are names: %s',
  (text) => {
    expect(name.parse(text)).toBe(text)
  },
)

test.each([
  ['Odalys Brandt', 'Оdаlуs Brandt'],
  ['Ida Marsh', 'lda  Marsh'],
  ['Ida Marsh', 'Idа Маrsh'],
  ['Morna', 'Moma'],
  ['Zoe', 'Zoë'],
])('%s and %s look the same', (one, other) => {
  expect(one).not.toBe(other)
  expect(skeletonOf(one)).toBe(skeletonOf(other))
})

test('others don’t', () => {
  const names = ['Ida Marsh', 'Ada Marsh', 'Odalys Brandt', 'Halla Winterbourne', 'Mirren Kestle']
  expect(new Set(names.map(skeletonOf)).size).toBe(names.length)
})
