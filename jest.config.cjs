/** Plain Node projects share this; the client's screens run under jest-expo's web preset. */
const node = (name) => ({
  displayName: name,
  rootDir: `${__dirname}/${name}`,
  testEnvironment: 'node',
  testMatch: ['<rootDir>/test/**/*.test.ts'],
  transform: { '\\.[jt]sx?$': ['babel-jest', { configFile: `${__dirname}/babel.jest.cjs` }] },
  transformIgnorePatterns: ['node_modules/(?!(@pine/|uuid/|hono/|@hono/|ml-|is-any-array/))'],
})

module.exports = {
  projects: [
    node('core'),
    node('contract'),
    node('cli'),
    node('server'),
    `${__dirname}/client/jest.config.cjs`,
  ],
}
