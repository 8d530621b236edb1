const SWC = {
  jsc: { parser: { syntax: 'typescript', tsx: false }, target: 'es2023' },
  module: { type: 'commonjs' },
}

/** Plain Node projects share this; the client's screens run under jest-expo's web preset. */
const node = (name) => ({
  displayName: name,
  rootDir: `${__dirname}/${name}`,
  testEnvironment: 'node',
  testMatch: ['<rootDir>/test/**/*.test.ts'],
  transform: { '\\.[jt]sx?$': ['@swc/jest', SWC] },
  transformIgnorePatterns: [
    'node_modules/(?!(@pine/|@seriousme/|@noble/|uuid/|hono/|@hono/|ml-|is-any-array/))',
  ],
})

const projects = {
  core: node('core'),
  machine: node('machine'),
  contract: node('contract'),
  formats: node('formats'),
  cli: node('cli'),
  server: node('server'),
  client: `${__dirname}/client/jest.config.cjs`,
}

// One project alone, where scripts/mutants.mjs asks for it.
const only = projects[process.env.PINE_JEST_PROJECT]
const tests = (process.env.PINE_JEST_TESTS ?? '').split(',').filter((name) => name !== '')
const alone = {
  ...(typeof only === 'string' ? require(only) : only),
  ...(tests.length > 0 && { testMatch: tests.map((name) => `<rootDir>/test/${name}.test.ts`) }),
}
// A test that hangs fails by it; one on a busy machine does not.
const testTimeout = 30_000

module.exports = { testTimeout, ...(only ? alone : { projects: Object.values(projects) }) }
