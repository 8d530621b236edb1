const { getDefaultConfig } = require('expo/metro-config')

/**
 * The usual one, but for two modules of Zod that the bundler would take along because its index names them: its messages in
 * fifty languages (what a person reads here is worded in core) and schemas out of JSON Schema, which the client never reads.
 */
const config = getDefaultConfig(__dirname)
config.resolver.resolveRequest = (context, name, platform) =>
  /\/zod\/.*\.c?js$/.test(context.originModulePath) &&
  /\/(locales\/index|from-json-schema)\.c?js$/.test(name)
    ? { type: 'empty' }
    : context.resolveRequest(context, name, platform)

module.exports = config
