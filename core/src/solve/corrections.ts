import { addressParts, type Address } from '../address/address'
import { chainOf, EMPTY_CHAIN, sumChains, type Chain } from '../chain/chain'
import type { SetupDocument } from '../facts/document'
import { readingOf, readingsById } from '../facts/readings-by-id'
import type { SetupSheet } from '../sheet/sheet'
import type { SourceReader } from '../sources/sources'

/**
 * What was put right of a register after a part was measured, as the row holds it: the sum of the corrections that are still in force. They
 * go with their tool: touched or measured again, it is what it is; changed, nothing of them is left.
 */
export function correctionOf(
  { sheet, readings, events }: Pick<SetupDocument, 'sheet' | 'readings' | 'events'>,
  sources: SourceReader,
  address: Address,
  chain: Chain,
): Chain {
  const made = events.flatMap((event) =>
    event.kind === 'corrected' && event.address === address ? [event] : [],
  )
  if (made.length === 0) return EMPTY_CHAIN
  const tool = toolOf(sheet, address)
  const byId = readingsById(readings)
  const own = chain.terms.flatMap(({ source }) => {
    const reading = readingOf(byId, source)
    return reading !== undefined && 'tool' in reading && reading.tool === tool ? [reading] : []
  })
  // A length that is declared, a master's say, stands in no reading: its tool is touched again all the same, where all of them are.
  const touchedOn = sheet.offsets[0]?.Z.by === 'part-top' ? 'tip-on-part' : 'tip-on-plane'
  const touches =
    own.length > 0 ? own : readings.filter((one) => one.of === touchedOn && one.tool === tool)
  const touched = touches.map(({ place }) => place)
  const changed = events.map((event) =>
    event.kind === 'tool-changed' && event.tool === tool ? event.place : -1,
  )
  const since = Math.max(-1, ...touched, ...changed)
  return made
    .filter(({ place }) => place > since)
    .reduce((sum, { place, amount, because }) => {
      const id = `facts.${place}.body.amount`
      const length = sources.length(amount, { place: id })
      const name = `correction of T${because.tool}`
      return length === undefined
        ? sum
        : sumChains(sum, chainOf({ id, kind: 'declared', name, length }, 'correction'))
    }, EMPTY_CHAIN)
}

/** The tool that a register is of; undefined for a row that serves all of them. */
function toolOf({ tools }: SetupSheet, address: Address): number | undefined {
  const parts = addressParts(address)
  switch (parts?.of) {
    case 'length':
      return tools.find(({ lengthRegister }) => lengthRegister === parts.register)?.number
    case 'diameter':
      return tools.find(({ diameterRegister }) => diameterRegister === parts.register)?.number
    case 'work-offset':
      return parts.tool
    case undefined:
      return undefined
  }
}
