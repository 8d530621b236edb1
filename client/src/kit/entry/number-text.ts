/** Longer than any length that a machine shows; more is a key that stuck. */
const LONGEST = 14

export const typed = (text: string, character: string): string =>
  text.length < LONGEST ? text + character : text

export const erased = (text: string): string => text.slice(0, -1)

/** Puts the minus in front, or takes it away: the digits stay as typed. */
export const signTurned = (text: string): string =>
  text.startsWith('-') ? text.slice(1) : `-${text}`
