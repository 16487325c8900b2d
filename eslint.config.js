import js from '@eslint/js'
import reactHooks from 'eslint-plugin-react-hooks'
import tseslint from 'typescript-eslint'

/** Imports run one way: core <- app/domain <- app/db, store <- app/ui <- app/features <- app/shell. */
const ban = (files, groups, message) => ({
  files,
  rules: { 'no-restricted-imports': ['error', { patterns: [{ group: groups, message }] }] },
})
const above = {
  domain: ['**/db', '**/db/**', '**/store', '**/store/**', '**/ui', '**/ui/**', '**/features/**', '**/shell/**'],
  db: ['**/ui', '**/ui/**', '**/features/**', '**/shell/**'],
  ui: ['**/features/**', '**/shell/**'],
}
const interfaceOnly = [
  'react',
  'react-*',
  '@mantine/*',
  '@reduxjs/*',
  'dexie',
  'react-router',
  '**/app/**',
  '**/server/**',
]

export default tseslint.config(
  { ignores: ['**/dist/**', '**/node_modules/**', 'test-results/**'] },
  js.configs.recommended,
  ...tseslint.configs.strict,
  {
    rules: {
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      '@typescript-eslint/no-non-null-assertion': 'error',
      eqeqeq: 'error',
      'no-console': 'off',
    },
  },
  {
    files: ['core/**/*.ts', 'app/**/*.{ts,tsx}', 'server/**/*.ts', 'scripts/**'],
    ignores: ['**/*.test.{ts,tsx}', '**/*.bench.ts'],
    rules: { 'max-lines-per-function': ['error', 80] },
  },
  { files: ['app/**/*.{ts,tsx}'], ...reactHooks.configs.flat.recommended },
  ban(['core/**/*.ts'], [...interfaceOnly, 'zod'], 'core knows no interface, and only core/model imports Zod.'),
  ban(['core/model/**/*.ts'], interfaceOnly, 'core knows no interface.'),
  ban(['app/domain/**/*.{ts,tsx}'], above.domain, 'app/domain imports core and other domain folders only.'),
  ban(['app/db/**/*.ts', 'app/store/**/*.ts'], above.db, 'db and store lie below ui, features and shell.'),
  ban(['app/ui/**/*.{ts,tsx}'], above.ui, 'ui lies below features and shell.'),
  ...['workshop', 'engine', 'job', 'card', 'paper'].map((name, _i, all) =>
    ban(
      [`app/features/${name}/**/*.{ts,tsx}`],
      [
        '**/shell/**',
        '**/features/**',
        ...all.filter((other) => other !== name).flatMap((other) => [`../${other}/**`, `../../${other}/**`]),
      ],
      'Features import neither each other nor shell.',
    ),
  ),
  {
    files: ['scripts/**', '*.config.js', '**/*.mjs'],
    languageOptions: { globals: { process: 'readonly', console: 'readonly', URL: 'readonly', Buffer: 'readonly' } },
  },
)
