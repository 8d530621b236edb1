import { createFont, createTamagui, createTokens } from '@tamagui/core'
import { DARK, LIGHT } from './roles'

const space = { 0: 0, 1: 4, 2: 8, 3: 12, 4: 16, 5: 20, 6: 24, 8: 32, 10: 40, true: 16 }
const size = { 0: 0, 1: 4, 2: 8, 3: 12, 4: 16, 5: 20, 6: 24, 8: 32, touch: 44, hand: 56, true: 44 }
const radius = { 0: 0, small: 8, large: 16, round: 999, true: 16 }
const zIndex = { 0: 0, 1: 100, 2: 200, 3: 300, 4: 400, 5: 500 }

const tokens = createTokens({
  color: { transparent: 'rgba(0,0,0,0)' },
  space,
  size,
  radius,
  zIndex,
})

// Steps of the type scale by what they are for; sizes in pixels at 100 % text.
const scale = {
  note: 14,
  body: 16,
  lead: 18,
  title: 20,
  sentence: 24,
  number: 28,
  reading: 40,
  true: 16,
}
const lines = {
  note: 20,
  body: 23,
  lead: 25,
  title: 26,
  sentence: 30,
  number: 34,
  reading: 46,
  true: 23,
}
const weight = {
  note: '400',
  body: '400',
  lead: '500',
  title: '700',
  sentence: '700',
  number: '500',
  reading: '600',
  true: '400',
} as const

const words = createFont({
  family: '"Atkinson Hyperlegible Next", sans-serif',
  size: scale,
  lineHeight: lines,
  weight,
})
const digits = createFont({
  family: '"Atkinson Hyperlegible Mono", monospace',
  size: scale,
  lineHeight: lines,
  weight,
})

export const config = createTamagui({
  tokens,
  fonts: { body: words, heading: words, mono: digits },
  themes: {
    light: { ...LIGHT, background: LIGHT.paper, color: LIGHT.ink },
    dark: { ...DARK, background: DARK.paper, color: DARK.ink },
  },
  media: {
    wide: { minWidth: 900, minHeight: 501 },
    widest: { minWidth: 1180, minHeight: 501 },
    // Text at twice its size: everything scrolls, the keys too.
    // A phone with its text at twice the size: only what is needed stands in a row.
    narrow: { maxWidth: 350 },
    tiny: { maxHeight: 500, maxWidth: 500 },
    // A phone on its side: the keys stand beside the number.
    lying: { maxHeight: 500, minWidth: 501 },
    // A phone's browser with its bars: the picture and the keys give way; on a smaller phone the trail too.
    small: { maxHeight: 700 },
    low: { maxHeight: 600 },
    // A tablet beside the control: the picture grows.
    tall: { minHeight: 900 },
  },
  settings: {
    onlyAllowShorthands: false,
    fastSchemeChange: true,
    shouldAddPrefersColorThemes: true,
    defaultFont: 'body',
  },
})

type AppConfig = typeof config

// Tells the library's types about our tokens: the way its documentation asks for.
declare module '@tamagui/core' {
  // eslint-disable-next-line @typescript-eslint/no-empty-object-type -- an interface is what is merged
  interface TamaguiCustomConfig extends AppConfig {}
}
