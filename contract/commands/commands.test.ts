import { COMMANDS, isCommand } from './commands.ts'

const RECIPE = {
  doseG: 18,
  doseToleranceG: 0.3,
  yieldG: 36,
  yieldToleranceG: 2,
  timeMinS: 25,
  timeMaxS: 31,
  firstDropMinS: 5,
  firstDropMaxS: 10,
}
const FACTS = {
  dose: { by: 'net', netG: 18 },
  clock: { firstDrop: 'marked', firstDropS: 7, stopS: 20, estimated: false },
  cup: { by: 'net', netG: 36 },
  tamp: { tilt: 'level' },
}
const GRINDER = { minSetting: 0, maxSetting: 40, settingStep: 1, finerIs: 'lower' }

const output = (name: keyof typeof COMMANDS, input: unknown) => {
  const answer = COMMANDS[name](input)
  if (!answer.ok) throw new Error(JSON.stringify(answer.errors))
  // As it is printed.
  return JSON.parse(JSON.stringify(answer.output)) as unknown
}
const errors = (name: keyof typeof COMMANDS, input: unknown) => {
  const answer = COMMANDS[name](input)
  return answer.ok ? [] : answer.errors.map(({ path, reason }) => [path, reason])
}

test('read: what is left out is not known', () => {
  expect(output('read', { facts: FACTS, recipe: RECIPE })).toMatchObject({
    flow: { state: 'fast' },
    gate: { passed: true, unknowns: ['machine', 'basket', 'basket-size', 'purge', 'bed'] },
    missing: 'taste',
  })
})

test('diagnose: causes, one move, and what to look at', () => {
  expect(
    output('diagnose', {
      facts: FACTS,
      recipe: RECIPE,
      context: { signs: { 'thin-crema': true } },
      setting: 14,
      grinder: GRINDER,
    }),
  ).toMatchObject({
    heading: 'fast',
    move: { lever: 'grind', direction: 'finer' },
    grindTo: { ranWellAt: null },
  })
})

test('advise: a setting, its time and why', () => {
  const history = [{ facts: FACTS, coffeeId: 'tern', setting: 20 }]
  expect(output('advise', { recipe: RECIPE, grinder: GRINDER, coffeeId: 'tern', history })).toMatchObject({
    step: 'move',
    why: ['last-was-fast'],
    brackets: { fast: 20, slow: null },
  })
})

test('skill: the ladder of each reading', () => {
  const shots = Array.from({ length: 10 }, () => ({ facts: FACTS }))
  expect(output('skill', { recipe: RECIPE, shots })).toMatchObject({
    rung: 'learning',
    skills: { dose: { shots: 10, rung: 'steady' }, time: { rung: 'learning' } },
  })
})

test('plan: beans and turns', () => {
  expect(output('plan', { trainees: 3, shotsEach: 2, groups: 2, doseG: 18 })).toMatchObject({
    bags: 1,
    turns: expect.arrayContaining([{ trainee: 2, group: 0, startMinute: 4 }]),
  })
})

test('simulate: a shot from physics, samples where asked for', () => {
  expect(output('simulate', {})).toMatchObject({
    stopS: expect.any(Number),
    cup: { sweet: expect.any(Number) },
  })
  expect(output('simulate', { withSamples: true })).toHaveProperty('samples.100.weightG')
})

test.each([
  [
    'read',
    { facts: { ...FACTS, dose: { by: 'net', netG: 190 } }, recipe: RECIPE },
    ['facts.dose.netG', 'number-too-big'],
  ],
  ['read', { facts: FACTS }, ['recipe', 'wrong-type']],
  ['read', { facts: { ...FACTS, doze: 1 }, recipe: RECIPE }, ['facts.doze', 'unknown-field']],
  [
    'diagnose',
    { facts: FACTS, recipe: RECIPE, context: { signs: { loud: true } } },
    ['context.signs.loud', 'unknown-field'],
  ],
  [
    'advise',
    { recipe: RECIPE, grinder: { ...GRINDER, maxSetting: 0 }, coffeeId: 'tern' },
    ['grinder.maxSetting', 'refused'],
  ],
  [
    'read',
    { facts: FACTS, recipe: { ...RECIPE, timeMinS: 31, timeMaxS: 25 } },
    ['recipe.timeMaxS', 'ends-before-start'],
  ],
  ['read', { facts: FACTS, recipe: { ...RECIPE, doseG: 40 } }, ['recipe.yieldG', 'yield-under-dose']],
  ['diagnose', { facts: FACTS, recipe: RECIPE, setting: 41, grinder: GRINDER }, ['setting', 'off-scale']],
  [
    'advise',
    { recipe: RECIPE, grinder: GRINDER, coffeeId: 'tern', doseRangeG: { min: 19, max: 17 } },
    ['doseRangeG.max', 'ends-before-start'],
  ],
  ['plan', { trainees: 0, shotsEach: 2, doseG: 18 }, ['trainees', 'number-too-small']],
  ['simulate', { done: { doseG: 80 } }, ['done.doseG', 'number-too-big']],
] as const)('%s says which field can’t be, and why', (name, input, error) => {
  expect(errors(name, input)).toContainEqual(error)
})

test('only the commands there are', () => {
  expect(isCommand('read')).toBe(true)
  expect(isCommand('brew')).toBe(false)
})
