module.exports = { presets: [['babel-preset-expo', { reanimated: false, worklets: false }]] }
