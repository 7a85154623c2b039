import js from '@eslint/js'
import prettier from 'eslint-config-prettier'
import { defineConfig } from 'eslint/config'
import { createNodeResolver, importX } from 'eslint-plugin-import-x'
import vue from 'eslint-plugin-vue'
import globals from 'globals'
import tseslint from 'typescript-eslint'
import vueParser from 'vue-eslint-parser'

/**
 * The one rule between the rooms: what each may import of ours.
 * @type {Record<string, string[]>}
 */
const MAY_IMPORT = {
  core: [],
  contract: ['core'],
  server: ['core', 'contract'],
  web: ['core', 'contract'],
  demo: ['core', 'contract'],
  devices: ['core', 'contract'],
  scripts: [],
  e2e: ['scripts'],
  benchmarks: ['core', 'contract', 'demo', 'scripts'],
}
const ROOMS = Object.keys(MAY_IMPORT)

/**
 * @param {string} room
 * @param {string[]} allowed
 */
const wall = (room, allowed) => ({
  target: `./${room}`,
  from: ROOMS.filter((other) => other !== room && !allowed.includes(other)).map((other) => `./${other}`),
  message: `The room ${room} may import ${allowed.length > 0 ? allowed.join(', ') : 'nothing of ours'}.`,
})
const walls = Object.entries(MAY_IMPORT).map(([room, allowed]) => wall(room, allowed))
/** The server's tests run against the harness's database. */
const serverTestWalls = [wall('server', [...(MAY_IMPORT['server'] ?? []), 'demo', 'scripts'])]

export default defineConfig(
  { ignores: ['**/dist', 'data', '**/node_modules', 'test-results'] },
  js.configs.recommended,
  tseslint.configs.strictTypeChecked,
  vue.configs['flat/recommended'],
  {
    languageOptions: {
      parserOptions: {
        // One program for all rooms: each with one of its own would look at core and contract anew.
        project: './tsconfig.lint.json',
        tsconfigRootDir: import.meta.dirname,
        extraFileExtensions: ['.vue'],
      },
    },
    plugins: { 'import-x': importX },
    settings: {
      'import-x/resolver-next': [
        createNodeResolver({
          extensions: ['.ts', '.vue', '.js', '.mjs'],
          conditionNames: ['node', 'import', 'default'],
        }),
      ],
    },
    rules: {
      'import-x/no-restricted-paths': ['error', { zones: walls }],
      'import-x/no-unresolved': ['error', { ignore: ['^virtual:'] }],
      'import-x/no-cycle': ['error', { maxDepth: 6 }],
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
    languageOptions: { parser: vueParser, parserOptions: { parser: tseslint.parser } },
    rules: { 'vue/multi-word-component-names': ['error', { ignores: ['App'] }] },
  },
  {
    // Each component makes the type checker begin anew: over a second a file, three quarters of the whole lint.
    // Components are thin, vue-tsc checks their types, and what they call lies in files that are linted with types.
    files: ['**/*.vue'],
    ...tseslint.configs.disableTypeChecked,
    languageOptions: {
      parser: vueParser,
      parserOptions: { parser: tseslint.parser, project: null, program: null },
    },
  },
  { files: ['web/**'], languageOptions: { globals: globals.browser } },
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
  {
    files: ['server/**/*.test.ts', 'server/testing/**'],
    rules: { 'import-x/no-restricted-paths': ['error', { zones: serverTestWalls }] },
  },
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
