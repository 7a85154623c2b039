import js from '@eslint/js'
import prettier from 'eslint-config-prettier'
import { defineConfig } from 'eslint/config'
import vue from 'eslint-plugin-vue'
import globals from 'globals'
import tseslint from 'typescript-eslint'
import vueParser from 'vue-eslint-parser'
import { documented } from './scripts/linting/documented.js'
import { oneProgram, parserOf } from './scripts/linting/oneProgram.js'
import { SERVER_TEST_WALLS, WALLS } from './scripts/linting/walls.js'

const PROJECT = `${import.meta.dirname}/tsconfig.lint.json`
// One for all rooms: each with one of its own would look at core and contract anew.
const parser = parserOf(oneProgram(PROJECT), PROJECT)

export default defineConfig(
  { ignores: ['**/dist', 'data', '**/node_modules', 'test-results'] },
  js.configs.recommended,
  tseslint.configs.strictTypeChecked,
  vue.configs['flat/recommended'],
  WALLS,
  {
    languageOptions: { parser },
    rules: {
      'import-x/no-unresolved': ['error', { ignore: ['^virtual:'] }],
      'import-x/no-cycle': ['error', { maxDepth: 6, ignoreExternal: true }],
      '@typescript-eslint/restrict-template-expressions': ['error', { allowNumber: true }],
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      '@typescript-eslint/no-confusing-void-expression': ['error', { ignoreArrowShorthand: true }],
      // For a library without types of its own: whoever reads core must find ours for it.
      '@typescript-eslint/triple-slash-reference': [
        'error',
        { path: 'always', types: 'never', lib: 'never' },
      ],
      // There are no enums here, and the only classes are errors; looking for them at every assignment took a quarter of
      // all the rules' time.
      '@typescript-eslint/no-unsafe-enum-assignment': 'off',
      '@typescript-eslint/no-unsafe-class-instance-assignment': 'off',
      'max-lines': ['error', { max: 300, skipBlankLines: true, skipComments: true }],
    },
  },
  {
    files: ['**/*.vue'],
    languageOptions: { parser: vueParser, parserOptions: { parser } },
    rules: { 'vue/multi-word-component-names': ['error', { ignores: ['App'] }] },
  },
  { files: ['**/*.vue'], rules: tseslint.configs.disableTypeChecked.rules ?? {} },
  {
    // Of components a component here only knows that they are some; vue-tsc checks their types. What matters in their
    // scripts is a promise that nobody waits for.
    files: ['**/*.vue'],
    // Parsed together with its type parameter, which the program has not.
    ignores: [
      'web/kit/forms/SelectField.vue',
      'web/kit/parts/ChoiceRow.vue',
      'web/kit/parts/PresetCards.vue',
      'web/places/prepare/PreparedList.vue',
    ],
    rules: {
      '@typescript-eslint/no-floating-promises': 'error',
      '@typescript-eslint/no-misused-promises': 'error',
      '@typescript-eslint/await-thenable': 'error',
    },
  },
  {
    files: ['core/**/*.ts', 'contract/**/*.ts'],
    ignores: ['**/*.test.ts'],
    plugins: { own: { rules: { documented } } },
    rules: { 'own/documented': 'error' },
  },
  { files: ['web/**'], languageOptions: { globals: globals.browser } },
  {
    // So that the library can be replaced part by part, and is fetched only with what shows it.
    files: ['web/**'],
    ignores: ['web/kit/**', 'web/main.ts', 'web/building/**'],
    rules: {
      'no-restricted-imports': [
        'error',
        { patterns: [{ regex: '^ant-design-vue', message: 'The component library stands behind web/kit.' }] },
      ],
    },
  },
  {
    files: ['core/**/*.ts'],
    ignores: ['**/*.test.ts'],
    rules: {
      'no-restricted-properties': [
        'error',
        { object: 'Date', property: 'now', message: 'core gets the time as an argument.' },
        { object: 'Math', property: 'random', message: 'core takes a seed.' },
      ],
      'no-restricted-syntax': [
        'error',
        {
          selector: "NewExpression[callee.name='Date'][arguments.length=0]",
          message: 'core gets the time as an argument.',
        },
      ],
    },
  },
  SERVER_TEST_WALLS,
  {
    // Asymmetric matchers are typed as any by the test library, and stand where a value is expected.
    files: ['**/*.test.ts'],
    rules: { '@typescript-eslint/no-unsafe-assignment': 'off' },
  },
  {
    // Playwright wants a fixture's first argument destructured, even where nothing is taken from it.
    files: ['e2e/**'],
    rules: { 'no-empty-pattern': ['error', { allowObjectPatternsAsParameters: true }] },
  },
  { files: ['**/*.js', '**/*.mjs'], languageOptions: { globals: globals.node } },
  prettier,
)
