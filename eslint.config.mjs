import expo from 'eslint-config-expo/flat.js'
import { defineConfig, globalIgnores } from 'eslint/config'

const notFrom = (folder, ...forbidden) => ({
  regex: `^(${forbidden.join('|')})`,
  message: `${folder}/ may not import this: imports run one way only (docs/architecture.md).`,
  allowTypeImports: folder === 'client',
})

const NOT_IN_CLIENT = notFrom('client', '@pine/(server|e2e|cli)', 'typeorm', 'node:')

/** Imports run one way only: core ← contract ← server, client ← e2e (docs/architecture.md). */
const mayNotImport = (folder, ...forbidden) => ({
  files: [`${folder}/src/**/*.{ts,tsx}`],
  rules: {
    'no-restricted-imports': ['error', { patterns: [notFrom(folder, ...forbidden)] }],
  },
})

/** The rooms of core from the ground up: each imports only those before it (docs/architecture.md). */
const ROOMS = [
  'problem',
  'length',
  'chain',
  'touch',
  'address',
  'fields',
  'schools',
  'journal',
  'sheet',
  'program',
  'quantities',
  'facts',
  'freshness',
  'budget',
  'features',
  'keyin',
  'slips',
  'sources',
  'registers',
  'wear',
  'shop',
  'import-list',
  'workholding',
  'proof',
  'solve',
  'offset-text',
  'compare',
  'running',
  'expect',
  'plan',
  'planner',
  'picture',
  'words',
]

const NOTHING_OUTSIDE = { regex: '^[^.]', message: 'core/ imports nothing outside itself.' }

const nothingAbove = (above, room) =>
  above.length === 0
    ? []
    : [
        {
          regex: `^(\\.\\./)+(${above.join('|')})(/|$)`,
          message: `${room}/ lies below this room: imports run from the ground up (docs/architecture.md).`,
        },
      ]

/** What is about React is asked of the client alone: elsewhere it is a sixth of the time and finds nothing. */
const reactInClientAlone = expo.map((config) =>
  config.plugins?.react === undefined ? config : { ...config, files: ['client/**/*.{ts,tsx}'] },
)

export default defineConfig([
  globalIgnores(['**/node_modules', '**/.pine', '**/dist', '**/.expo', '**/public', 'docs']),
  ...reactInClientAlone,
  {
    // Where eslint-config-expo brings the TypeScript plugin.
    files: ['**/*.{ts,tsx}'],
    rules: {
      '@typescript-eslint/no-explicit-any': 'error',
      '@typescript-eslint/ban-ts-comment': 'error',
    },
  },
  {
    rules: {
      'no-console': 'error',
      eqeqeq: 'error',
      'import/no-unresolved': 'off',
      'import/no-duplicates': 'error',
      'import/namespace': 'off',
      'import/no-named-as-default-member': 'off',
    },
  },
  // The rule is about what Metro can put into a bundle; these run in Node.
  {
    files: ['formats/**', 'server/**', 'scripts/**', 'cli/**', 'e2e/**', 'bench/**'],
    rules: { 'expo/no-dynamic-env-var': 'off' },
  },
  {
    files: ['**/*.cjs'],
    languageOptions: {
      globals: { __dirname: 'readonly', require: 'readonly', module: 'writable' },
    },
  },
  // Core is computation only: relative imports, rooms from the ground up, and nothing of the outside world.
  {
    files: ['core/src/**/*.ts'],
    rules: {
      'no-restricted-imports': ['error', { patterns: [NOTHING_OUTSIDE] }],
      'no-restricted-globals': [
        'error',
        'Date',
        'fetch',
        'window',
        'document',
        'process',
        'performance',
        'setTimeout',
      ],
      'no-restricted-properties': [
        'error',
        {
          object: 'Math',
          property: 'random',
          message: 'core/ knows no chance: take it as an argument.',
        },
      ],
    },
  },
  // The simulated machine is an independent check: of core it may know how lengths are written, and nothing else.
  {
    files: ['machine/src/**/*.ts'],
    ignores: ['machine/src/host/**'],
    rules: {
      'no-restricted-imports': [
        'error',
        {
          patterns: [
            {
              regex: '^(?!\\.|@pine/core/length$|xmlbuilder2)',
              message: 'machine/ imports nothing outside itself but lengths.',
            },
          ],
        },
      ],
      'no-restricted-globals': [
        'error',
        'Date',
        'fetch',
        'window',
        'document',
        'process',
        'setTimeout',
      ],
      'no-restricted-properties': [
        'error',
        { object: 'Math', property: 'random', message: 'machine/ takes its chance from its seed.' },
      ],
    },
  },
  ...ROOMS.map((room, place) => ({
    files: [`core/src/${room}/**/*.ts`],
    rules: {
      'no-restricted-imports': [
        'error',
        { patterns: [NOTHING_OUTSIDE, ...nothingAbove(ROOMS.slice(place + 1), room)] },
      ],
    },
  })),
  {
    files: ['{core,machine,contract,formats,server,client,cli}/src/**/*.{ts,tsx}'],
    rules: { 'max-lines': ['error', 300] },
  },
  {
    files: ['client/src/**/*.tsx'],
    ignores: ['client/src/kit/frame/scroll.tsx'],
    rules: {
      'no-restricted-syntax': [
        'error',
        {
          selector: "ImportDeclaration[source.value='@tamagui/scroll-view']",
          message: 'Use Scroll of the kit: the keyboard reaches what scrolls.',
        },
      ],
    },
  },
  {
    // A promise that nobody waits for loses its failure: where that is meant, `void` says so.
    files: ['{machine,contract,formats,server,client,cli}/src/**/*.{ts,tsx}'],
    languageOptions: { parserOptions: { projectService: true } },
    rules: { '@typescript-eslint/no-floating-promises': 'error' },
  },
  mayNotImport(
    'contract',
    '@pine/(formats|server|client|e2e|cli)',
    'react',
    'hono',
    'typeorm',
    'node:',
  ),
  mayNotImport('formats', '@pine/(server|client|e2e|cli)', 'react', 'hono', 'typeorm'),
  mayNotImport('server', '@pine/(client|e2e|cli)', 'react', 'expo'),
  {
    files: ['client/src/**/*.{ts,tsx}'],
    rules: { 'no-restricted-imports': ['error', { patterns: [NOT_IN_CLIENT] }] },
  },
  {
    // A screen after the first page comes late, through areas/late: asked for here it would bring the solver with it.
    files: ['client/src/app/**/*.tsx'],
    rules: {
      'no-restricted-imports': [
        'error',
        {
          patterns: [
            NOT_IN_CLIENT,
            {
              regex: '^@/areas/(?!late$|people/|setups/)',
              message: 'Take the screen from @/areas/late: the first page must not bring it.',
            },
          ],
        },
      ],
    },
  },
  mayNotImport('cli', '@pine/(server|client|e2e)', 'react', 'hono', 'typeorm'),
  {
    files: ['**/test/**/*.ts', 'e2e/**/*.ts'],
    rules: { '@typescript-eslint/no-explicit-any': 'off' },
  },
  // Playwright reads which fixtures a fixture needs off its first parameter, even where it needs none.
  { files: ['e2e/support/**'], rules: { 'no-empty-pattern': 'off' } },
])
