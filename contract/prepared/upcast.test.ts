import { CONTENT_VERSION, UPCASTS, type UpcastStep, upcast } from './upcast.ts'

test('a content goes through each step after its version, in order', () => {
  const steps: UpcastStep[] = [
    (content) => ({ ...content, a: 1 }),
    (content, kind) => ({ ...content, b: [content['a'], kind] }),
  ]
  expect(upcast('grinder', { name: 'x' }, 1, steps)).toEqual({ name: 'x', a: 1, b: [1, 'grinder'] })
  expect(upcast('grinder', { a: 7 }, 2, steps)).toEqual({ a: 7, b: [7, 'grinder'] })
  expect(upcast('grinder', { a: 7 }, 3, steps)).toEqual({ a: 7 })
})

test('of the first version names lose what nobody sees; today’s are as they are', () => {
  const content = { name: 'Quay\u202e grinder', purgeG: 4 }
  expect(upcast('grinder', content, 1)).toEqual({ name: 'Quay grinder', purgeG: 4 })
  expect(upcast('grinder', content, CONTENT_VERSION)).toBe(content)
  expect(CONTENT_VERSION).toBe(UPCASTS.length + 1)
})
