import prettier from 'eslint-config-prettier'
import vueI18n from '@intlify/eslint-plugin-vue-i18n'
import vue from 'eslint-plugin-vue'
import tseslint from 'typescript-eslint'
import vueParser from 'vue-eslint-parser'

/** Each time it is computed it is another array, so that the watcher runs though nothing in it has changed. */
const NO_ARRAY_SOURCE = {
  selector:
    "CallExpression[callee.name='watch'] > ArrowFunctionExpression:first-child > ArrayExpression.body",
  message: 'Give watch an array of sources: watch([() => a, () => b], …)',
}
const RAW_TEXT = 'Texts for people are messages: add it to src/messages/en'

export default tseslint.config(
  {
    ignores: [
      'dist',
      'dist-cli',
      'node_modules',
      'test-results',
      'playwright-report',
      '.reports',
      '.stryker-tmp',
    ],
  },
  ...tseslint.configs.strict,
  ...vue.configs['flat/recommended'],
  prettier,
  {
    files: ['**/*.ts', '**/*.vue'],
    languageOptions: {
      parser: vueParser,
      parserOptions: {
        parser: tseslint.parser,
        sourceType: 'module',
        projectService: true,
        extraFileExtensions: ['.vue'],
      },
    },
    rules: {
      '@typescript-eslint/no-explicit-any': 'error',
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      '@typescript-eslint/consistent-type-imports': 'error',
      '@typescript-eslint/no-floating-promises': 'error',
      '@typescript-eslint/no-misused-promises': 'error',
      '@typescript-eslint/switch-exhaustiveness-check': [
        'error',
        { considerDefaultExhaustiveForUnions: true },
      ],
      '@typescript-eslint/no-unnecessary-condition': 'error',
      // A message is an object: as text it would read “[object Object]”.
      '@typescript-eslint/no-base-to-string': 'error',
      'vue/multi-word-component-names': 'error',
      'vue/require-default-prop': 'off',
      eqeqeq: 'error',
      'no-console': ['error', { allow: ['error'] }],
      'no-restricted-syntax': ['error', NO_ARRAY_SOURCE],
      // A question (is a part missing?), not a number to squeeze under.
      'max-lines': ['error', { max: 400 }],
      'max-lines-per-function': ['error', { max: 60, skipComments: true, skipBlankLines: true }],
    },
  },
  {
    // A component's set-up and a store's are one function each by construction.
    files: [
      '**/*.vue',
      'src/app/stores/*.ts',
      'src/app/composables/*.ts',
      'src/app/buttons/*.ts',
      'src/app/macros/*.ts',
      'src/app/motion/*.ts',
      'src/app/measure/*.ts',
      'src/unplugged/listening.ts',
    ],
    rules: { 'max-lines-per-function': 'off' },
  },
  {
    // A cast hides a mistake from the compiler: each says in a comment why it cannot be one.
    files: ['src/**/*.ts', 'src/**/*.vue'],
    ignores: ['**/*.test.ts', '**/*.test-support.ts'],
    rules: {
      '@typescript-eslint/consistent-type-assertions': ['error', { assertionStyle: 'never' }],
    },
  },
  {
    // Texts for people are messages (src/messages). These signs are the same in every language.
    files: ['src/**/*.vue'],
    plugins: { '@intlify/vue-i18n': vueI18n },
    rules: {
      'vue/no-bare-strings-in-template': [
        'error',
        {
          allowlist: [
            '▾',
            '✓',
            '●',
            '→',
            '/',
            '°',
            ':',
            ',',
            '.',
            '·',
            '+',
            '–',
            '(',
            ')',
            '×',
            '%',
            '0',
            '“',
            '”',
            '↔',
            '.gpl',
          ],
        },
      ],
      '@intlify/vue-i18n/no-raw-text': ['error', { ignorePattern: '^[^a-zA-Z]*$|^\\.gpl$' }],
      // Start and end instead of left and right, for languages that are written from right to left.
      'vue/no-restricted-class': [
        'error',
        '/^(?:.*:)?-?(?:m|p|border-|rounded-|scroll-m|scroll-p)[lr](?:-|$)/',
        '/^(?:.*:)?-?(?:left|right|text-left|text-right|float-left|float-right)(?:-|$)/',
      ],
    },
  },
  {
    // A sentence in a script: two words, the first with a capital. Errors for developers are in English.
    files: ['src/app/**', 'src/unplugged/**', 'src/look/**', 'src/faults/**', 'src/helper/**'],
    ignores: ['**/*.test.ts', '**/*.test-support.ts'],
    rules: {
      'no-restricted-syntax': [
        'error',
        NO_ARRAY_SOURCE,
        {
          selector:
            ':not(NewExpression, Property[key.name=/^(?:keys|words)$/]) > Literal[value=/^[A-Z“][^A-Z]* [a-z]/]',
          message: RAW_TEXT,
        },
        {
          selector:
            ':not(NewExpression, Property[key.name=/^(?:keys|words)$/]) > TemplateLiteral > TemplateElement[value.raw=/[A-Z][a-z]+ | [a-z]{3,} [a-z]{3,}/]',
          message: RAW_TEXT,
        },
      ],
    },
  },
  { files: ['src/cli/**', 'src/server/**', 'scripts/**'], rules: { 'no-console': 'off' } },
  { files: ['scripts/**'], rules: { 'max-lines-per-function': 'off' } },
  { files: ['**/*.test.ts', '**/*.spec.ts', '**/*.mjs'], rules: { 'max-lines-per-function': 'off' } },
)
