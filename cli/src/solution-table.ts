import type { SolutionView } from '@pine/contract'
import { describeTerm } from '@pine/core/words'

/** Registers as text, each with the sum it is made of, for a terminal or a printout. */
export function solutionTable(name: string, view: SolutionView): string {
  const widest = Math.max(...view.registers.map(({ value }) => (value ?? '').length), 1)
  const blocks = view.registers.map(
    ({ address, value, unit, state, stale, uncertainty, trace }) => {
      const sure = uncertainty === null ? '' : `  ±${uncertainty.expanded}`
      const head = `${address.padEnd(6)} ${(value ?? '–').padStart(widest)} ${unit}${sure}  ${state}${stale === null ? '' : `: ${stale}`}`
      // A number that was declared to be zero says nothing of the sum.
      const lines = trace
        .filter(({ by, adds }) => by !== undefined || Number(adds) !== 0)
        .map(
          (line, index) =>
            `       ${describeTerm(line, index === 0)} ${line.unit}  ${line.meaning} (${line.name})`,
        )
      return [head, ...lines].join('\n')
    },
  )
  const warnings = view.warnings.map(({ message }) => `! ${message}`)
  return `${[name, ...blocks, ...warnings].join('\n')}\n`
}
