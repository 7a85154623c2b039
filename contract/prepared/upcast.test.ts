import { PREPARED_KINDS } from './kinds/kindOf.ts'
import { contentVersion, upcast } from './upcast.ts'

test('of the first version names lose what nobody sees, and new fields say that nobody was asked', () => {
  const portions = [{ seconds: 3, grams: 9 }]
  const content = { name: 'Quay\u202e grinder', purgeG: 4, portions }
  expect(upcast('grinder', content, 1)).toEqual({
    name: 'Quay grinder',
    purgeG: 4,
    overWeighG: null,
    portions: [{ seconds: 3, grams: 9, settingAt: null }],
  })
  expect(upcast('machine', { name: 'Two-group' }, 2)).toEqual({ name: 'Two-group', setC: null })
  expect(upcast('machine', { groups: [{ buttons: [{ name: 'One cup' }] }] }, 3)).toEqual({
    groups: [{ buttons: [{ name: 'One cup', ml: null }] }],
  })
  expect(upcast('recipe', { method: { basketId: null } }, 3)).toEqual({
    coffeeId: null,
    method: { basketId: null, mayExceedBasket: false },
  })
  expect(upcast('bar', {}, 3)).toEqual({ lowDoseRule: 'discard' })
  expect(upcast('coffee', {}, 3)).toEqual({ isForEspresso: null })
  expect(upcast('water', { batch: { litres: 5 } }, 3)).toEqual({ batch: { litres: 5, packetLitres: null } })
  expect(upcast('water', { batch: null }, 3)).toEqual({ batch: null })
  expect(upcast('basket', { name: 'Double\u202e' }, 1)).toEqual({ name: 'Double' })
})

test('a content goes through each step after its version, in order; today’s is as it is', () => {
  const content = { name: 'Quay\u202e grinder', portions: [] }
  expect(upcast('grinder', content, 2)).toEqual({ ...content, overWeighG: null })
  for (const kind of PREPARED_KINDS) expect(upcast(kind, content, contentVersion(kind))).toBe(content)
})
