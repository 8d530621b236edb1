import { toNanometres, type Nanometres, type WrittenLength } from '../length/length'
import { nanometresOf } from '../length/read-length'
import type { SetupSheet } from './sheet'
import type { Tool } from './tool'
import type { FixedSetter } from './machine'

/**
 * The longest tool that a fixed setter's cycle may begin with: its tip then stands the margin above the top, since the bare nose
 * would stand `from − top` above it (docs/domain.md, “Routers and fixed setters”). At or below zero where no tool clears it.
 *
 * @returns undefined where one of its numbers cannot be read.
 */
export function longestForSetter({ from, top, margin }: FixedSetter): Nanometres | undefined {
  const [start, height, kept] = [from, top, margin].map(nanometresOf)
  if (start === undefined || height === undefined || kept === undefined) return undefined
  return toNanometres(start - height - kept)
}

/** Nose to tip as far as the sheet knows it: as known, as it was last time, or by a rule held to it. */
export const roughLengthOf = ({
  length,
  lastLength,
  rough,
}: Tool): { readonly nm: Nanometres; readonly written: WrittenLength } | undefined => {
  const written = length ?? lastLength ?? rough
  const nm = nanometresOf(written)
  return written === undefined || nm === undefined ? undefined : { nm, written }
}

/** Whether anything tells how long a tool is before it is touched. */
export const isRoughlyKnown = ({ tools }: Pick<SetupSheet, 'tools'>, tool: number): boolean =>
  tools.some((one) => one.number === tool && roughLengthOf(one) !== undefined)

/** Whether the cycle would begin with the tip of this tool too low: false while nothing tells how long it is. */
export function isTooLongForSetter({ machine, tools }: SetupSheet, tool: number): boolean {
  const longest = machine.fixedSetter && longestForSetter(machine.fixedSetter)
  const known = tools.find(({ number }) => number === tool)
  const length = known && roughLengthOf(known)
  return longest !== undefined && length !== undefined && length.nm > longest
}
