import withoutFormatting from 'eslint-config-prettier'
import { defineConfig } from 'eslint/config'
import vue from 'eslint-plugin-vue'
import tseslint from 'typescript-eslint'
import vueParser from 'vue-eslint-parser'
import { documented } from './scripts/linting/documented.js'
import { SERVER_TEST_WALLS, WALLS } from './scripts/linting/walls.js'

// What needs a compiler to see, and what is plain JavaScript, is in .oxlintrc.json; here is what knows templates and our rooms.
export default defineConfig(
  { ignores: ['**/dist', 'data', '**/node_modules', 'test-results'] },
  vue.configs['flat/recommended'],
  WALLS,
  // A file that no pattern names is not looked at.
  { files: ['**/*.{ts,js,mjs}'], languageOptions: { parser: tseslint.parser } },
  {
    files: ['**/*.vue'],
    languageOptions: { parser: vueParser, parserOptions: { parser: tseslint.parser } },
    rules: { 'vue/multi-word-component-names': ['error', { ignores: ['App'] }] },
  },
  {
    files: ['core/**/*.ts', 'contract/**/*.ts'],
    ignores: ['**/*.test.ts'],
    plugins: { own: { rules: { documented } } },
    rules: { 'own/documented': 'error' },
  },
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
  withoutFormatting,
)
