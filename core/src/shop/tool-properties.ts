/**
 * Properties of a cutting tool by the symbols of ISO 13399 (from memory), each with what it is called at the machine. Lengths are
 * written with their unit, counts and angles (degrees) as numbers.
 */
export const TOOL_PROPERTIES = {
  DC: { name: 'cutting diameter', is: 'length' },
  LF: { name: 'functional length', is: 'length' },
  OAL: { name: 'overall length', is: 'length' },
  LU: { name: 'usable length', is: 'length' },
  APMX: { name: 'greatest depth of cut', is: 'length' },
  RE: { name: 'corner radius', is: 'length' },
  DCONMS: { name: 'shank diameter', is: 'length' },
  NOF: { name: 'flutes', is: 'count' },
  SIG: { name: 'point angle', is: 'angle' },
} as const

export type ToolProperty = keyof typeof TOOL_PROPERTIES

export const PROPERTY_NAMES = Object.keys(TOOL_PROPERTIES) as readonly ToolProperty[]

/**
 * How a holder sits in the spindle: by a face that stands against the nose, so that a length from the bench holds; or by its cone
 * alone, so that its flange stands elsewhere each time and a length holds for this spindle only (docs/domain.md, “Lengths and seats”).
 */
export const SEATS = ['register-face', 'taper'] as const

export type Seat = (typeof SEATS)[number]

/** What can happen to a tool outside of a set-up. */
export const TOOL_HAPPENINGS = [
  'replaced',
  're-gripped',
  're-ground',
  'broken',
  'out-of-holder',
] as const

export type ToolHappening = (typeof TOOL_HAPPENINGS)[number]
