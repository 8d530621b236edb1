import type { WrittenLength } from '../length/length'
import type { SetupSheet } from '../sheet/sheet'

/** The sheet with what a rule held to a tool told of its length. */
export const withRule = (sheet: SetupSheet, tool: number, rough: WrittenLength): SetupSheet => ({
  ...sheet,
  tools: sheet.tools.map((one) => (one.number === tool ? { ...one, rough } : one)),
})
