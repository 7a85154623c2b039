import { comparedIn, hidden, queryFor } from './compared.ts'

test('the address holds which shots stand side by side: each once, four at the most', () => {
  expect(comparedIn({ shots: 'a,b,a,c,d,e' })).toEqual({
    shotIds: ['a', 'b', 'c', 'd'],
    codes: [],
    isBlind: false,
  })
  expect(comparedIn({}).shotIds).toEqual([])
  expect(comparedIn({ shots: ['a', 'b'] }).shotIds).toEqual([])
  // Hidden without a code for each would tell nobody anything.
  expect(comparedIn({ shots: 'a,b', codes: '123', blind: 'yes' }).isBlind).toBe(false)
})

test('hidden, they stand in another order with a code each, that are told apart; shown again, the codes stay', () => {
  const rolls = [0.9, 0.1, 0.5, 0.25, 0.25, 0.75, 0.5]
  const made = hidden({ shotIds: ['a', 'b', 'c'] }, () => rolls.shift() ?? 0)
  expect(made).toEqual({ shotIds: ['b', 'c', 'a'], codes: ['325', '775', '550'], isBlind: true })
  expect(comparedIn(queryFor(made))).toEqual(made)
  expect(queryFor({ ...made, isBlind: false })).toEqual({ shots: 'b,c,a', codes: '325,775,550' })
})
