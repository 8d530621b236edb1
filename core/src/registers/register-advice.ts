import { NANOMETRES_PER } from '../length/length'
import { readLength } from '../length/read-length'
import type { SetupDocument } from '../facts/document'
import { needOf } from '../sheet/check/needs'
import type { Register } from './register'
import { adviceFor, type Advice } from '../budget/advice'
import { aimedMm } from '../budget/verdict'

/** The cheapest change that makes a register sure enough for its job; undefined where it is, or nothing is needed. */
export function adviceForRegister(
  document: SetupDocument,
  { address, budget, fitness }: Pick<Register, 'address' | 'budget' | 'fitness'>,
): Advice | undefined {
  const need = needOf(document.sheet, address)?.written
  const read = need && readLength(need)
  if (budget === undefined || fitness === undefined || fitness === 'fit' || !read?.ok)
    return undefined
  return adviceFor(budget, aimedMm(read.value.nm / NANOMETRES_PER.mm), (id) => {
    const [gauge] = document.readings.find((reading) => reading.id === id)?.with ?? []
    return document.sheet.gauges.find((one) => one.id === gauge)?.kind
  })
}
