import type { KnipConfig } from 'knip'

/**
 * What nothing uses, and which packages are used without being declared (npx knip). With --production, what only tests
 * use: such a function has its place told by a tag, `@waits`, or goes.
 */
const config: KnipConfig = {
  ignoreExportsUsedInFile: true,
  tags: ['-waits'],
  // A function's types are told with it, used by name elsewhere or not.
  exclude: ['types'],
  ignoreDependencies: [
    // Loaded or copied by path: scripts/mutants.mjs, scripts/build-client.mjs.
    '@stryker-mutator/.+',
    '@fontsource/.+',
    // A peer that Expo and its router ask for.
    'expo-font',
    // Named by Expo's plugin, for native builds; and by the preset of jest-expo.
    'expo-updates',
    'expo-system-ui',
    '@expo/vector-icons',
  ],
  // Of the system: bench/server/faults.ts fills a small disk of its own; take-screenshots.mjs draws a sheet of paper.
  ignoreBinaries: ['mount', 'umount', 'pdftoppm', 'xmllint'],
  workspaces: {
    '.': { entry: ['scripts/*.mjs'], project: ['scripts/**/*.mjs'] },
    core: { entry: ['src/*/index.ts!'], project: ['src/**/*.ts!'] },
    machine: { entry: ['src/*/index.ts!', 'src/host/main.ts!'], project: ['src/**/*.ts!'] },
    contract: { project: ['src/**/*.ts!'] },
    formats: {
      entry: ['src/*/index.ts!', 'test/read-pdf.mjs'],
      project: ['src/**/*.ts!', 'test/**/*.mjs'],
    },
    server: {
      entry: [
        'src/main.ts!',
        'src/work/setup-thread.ts!',
        'src/check-database.ts!',
        'src/add-shop.ts!',
        'src/archive.ts!',
      ],
      project: ['src/**/*.ts!'],
    },
    cli: { project: ['src/**/*.ts!'] },
    client: {
      entry: ['src/app/**/*.tsx!', 'src/workers/*.worker.ts!'],
      project: ['src/**/*.{ts,tsx}!'],
    },
    e2e: {
      entry: ['tests/**/*.ts', 'measures/**/*.ts', 'measure.config.ts'],
      project: ['**/*.ts'],
    },
    bench: { entry: ['*.ts!', '{core,server}/*.ts!'], project: ['**/*.ts!'] },
  },
}

export default config
