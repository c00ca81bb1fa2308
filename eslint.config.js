import js from '@eslint/js'
import reactHooks from 'eslint-plugin-react-hooks'
import tseslint from 'typescript-eslint'

export default tseslint.config(
  { ignores: ['build/', '.react-router/', 'node_modules/', 'test-results/', 'data/', 'demo-data/'] },
  js.configs.recommended,
  ...tseslint.configs.recommended,
  {
    rules: {
      'no-undef': 'off', // TypeScript checks names
      eqeqeq: 'error',
      'no-useless-rename': 'error',
      'object-shorthand': ['error', 'properties'],
      // Prettier wraps at 110; a text that is one sentence is not cut to pieces for its length.
      'max-len': [
        'error',
        { code: 120, ignoreStrings: true, ignoreTemplateLiterals: true, ignoreRegExpLiterals: true },
      ],
      '@typescript-eslint/consistent-type-imports': 'error',
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
    },
  },
  {
    files: ['{core,server,app,cli,demo,tools,benchmarks}/**/*.{ts,tsx}'],
    ignores: ['**/*.test.{ts,tsx}'],
    rules: {
      complexity: ['error', 20],
      'max-lines-per-function': ['error', { max: 120, skipBlankLines: true, skipComments: true }],
    },
  },
  { files: ['**/*.cjs'], rules: { '@typescript-eslint/no-require-imports': 'off' } },
  {
    files: ['app/**/*.{ts,tsx}'],
    plugins: { 'react-hooks': reactHooks },
    rules: { 'react-hooks/rules-of-hooks': 'error', 'react-hooks/exhaustive-deps': 'error' },
  },
  {
    files: ['core/**/*.ts'],
    ignores: ['**/*.test.ts'],
    rules: {
      'no-restricted-imports': [
        'error',
        { patterns: [{ regex: '^(?!\\./|#core/|valibot$)', message: 'core imports only core and Valibot' }] },
      ],
      'no-restricted-syntax': [
        'error',
        { selector: 'ImportExpression', message: 'no dynamic imports in core' },
        {
          selector: "MemberExpression[object.name='Math'][property.name='random']",
          message: 'core takes a seed',
        },
        {
          selector: "NewExpression[callee.name='Date'][arguments.length=0]",
          message: 'core never reads the clock',
        },
        {
          selector: "MemberExpression[object.name='Date'][property.name='now']",
          message: 'core never reads the clock',
        },
      ],
    },
  },
)
