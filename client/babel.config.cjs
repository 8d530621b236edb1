module.exports = (api) => {
  const bundles = api.caller((caller) => caller?.name === 'metro')
  return {
    presets: ['babel-preset-expo'],
    // Jest walks through the doors as the sources do.
    plugins: bundles ? [require.resolve('./direct-imports.cjs')] : [],
  }
}
