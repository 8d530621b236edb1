// jsdom has no media queries; Tamagui asks for them when it is configured.
globalThis.matchMedia ??= (query) => ({
  matches: false,
  media: query,
  onchange: null,
  addListener() {},
  removeListener() {},
  addEventListener() {},
  removeEventListener() {},
  dispatchEvent: () => false,
})

// Nor has it structured clones, which IndexedDB keeps its rows by.
const { deserialize, serialize } = require('node:v8')
globalThis.structuredClone ??= (value) => deserialize(serialize(value))
