// Watch plugins belong to the top of a Jest configuration, not to one of its projects.
const { watchPlugins, ...preset } = require('jest-expo/web/jest-preset')

const swc = (syntax) => [
  '@swc/jest',
  {
    jsc: {
      parser: { syntax, tsx: true, jsx: true },
      target: 'es2023',
      transform: { react: { runtime: 'automatic' } },
    },
    module: { type: 'commonjs' },
  },
]

module.exports = {
  ...preset,
  // Babel only for what is written in Flow; the rest takes a fifth of the time.
  transform: {
    '/node_modules/(@react-native|react-native|expo[^/]*|@expo)/.*\\.[jt]sx?$':
      preset.transform['\\.[jt]sx?$'],
    '\\.tsx?$': swc('typescript'),
    '\\.jsx?$': swc('ecmascript'),
    ...preset.transform,
  },
  displayName: 'client',
  rootDir: __dirname,
  testEnvironment: 'jsdom',
  testEnvironmentOptions: { customExportConditions: ['require', 'node', 'default'] },
  testMatch: ['<rootDir>/test/**/*.test.ts?(x)'],
  moduleNameMapper: {
    ...preset.moduleNameMapper,
    '^react-native$': 'react-native-web',
    '\\.css$': '<rootDir>/test/empty-style.cjs',
    '^@/(.*)$': '<rootDir>/src/$1',
  },
  transformIgnorePatterns: [
    'node_modules/(?!((jest-)?react-native|@react-native|expo|@expo|react-native-svg|@pine|@noble/|uuid|tamagui|@tamagui|lucide-react-native|swr|hono)/?)',
  ],
  setupFiles: ['<rootDir>/test/browser-stubs.cjs'],
}
