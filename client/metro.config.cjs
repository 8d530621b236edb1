const { getDefaultConfig } = require('expo/metro-config')
const { doorsHash } = require('./direct-imports.cjs')

const config = getDefaultConfig(__dirname)

/**
 * Modules of Zod that the bundler would take along because an index names them: its messages in fifty languages (what a person
 * reads here is worded in core), schemas as JSON Schema and out of it, and its compiler. The client asks for none of them.
 */
config.resolver.resolveRequest = (context, name, platform) =>
  /\/zod\/.*\.c?js$/.test(context.originModulePath) &&
  /\/(locales\/index|from-json-schema|json-schema-(processors|generator)|compile)\.c?js$/.test(name)
    ? { type: 'empty' }
    : context.resolveRequest(context, name, platform)

// A file that was transformed once may be kept only while the doors that it walked past lead to the same places.
config.cacheVersion = `${config.cacheVersion ?? ''}${doorsHash()}`

module.exports = config
