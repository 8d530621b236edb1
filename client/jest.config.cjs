// Watch plugins belong to the top of a Jest configuration, not to one of its projects.
const { watchPlugins, ...preset } = require('jest-expo/web/jest-preset')

module.exports = {
  ...preset,
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
    'node_modules/(?!((jest-)?react-native|@react-native|expo|@expo|react-native-svg|@pine|uuid|tamagui|@tamagui|lucide-react-native|swr|hono)/?)',
  ],
  setupFiles: ['<rootDir>/test/browser-stubs.cjs'],
}
