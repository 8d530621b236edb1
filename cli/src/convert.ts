import { type SetupDocument } from '@pine/core/facts'
import { formatLength } from '@pine/core/length'
import { type School } from '@pine/core/schools'
import { convertSolution, solve } from '@pine/core/solve'
import { describeGap } from '@pine/core/words'
import { asJson, Ended } from './outcome'

/** Lengths and Z offsets of a set-up as another school writes them, as text or as JSON. */
export function convert(document: SetupDocument, school: School, json: boolean): string {
  const solution = solve(document)
  const converted = convertSolution(document, solution, school)
  if (!converted.ok)
    throw new Ended({
      out: '',
      err: `pine: cannot convert to ${school}: ${describeGap(converted.missing)}\n`,
      exitCode: 1,
    })
  const rows = [...converted.table.lengths, ...converted.table.offsets].map(([address, value]) => ({
    address,
    unit: solution.unit,
    value: formatLength(value, solution.unit, solution.decimals),
  }))
  if (json) return asJson({ school, registers: rows })
  return `${document.sheet.name}, as ${school}\n${rows.map(({ address, value, unit }) => `${address.padEnd(6)} ${value.padStart(10)} ${unit}\n`).join('')}`
}
