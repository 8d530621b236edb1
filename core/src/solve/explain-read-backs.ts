import type { SetupDocument } from '../facts/document'
import type { Register } from '../registers/register'
import { axisOfAddress } from '../address/address'
import { explain, knownSizes } from '../slips/explain'

/** Names the slips behind read-backs that differ: any other register's value may have slipped in. */
export function explainReadBacks(
  document: SetupDocument,
  registers: readonly Register[],
): readonly Register[] {
  const { unit, machine, gauges } = document.sheet
  const decimals = machine.control.decimals[unit]
  return registers.map((register) => {
    const { readBack, keyIn, chain, kind, address } = register
    if (readBack === undefined || readBack.equal || keyIn === undefined || chain === undefined)
      return register
    const others = registers.flatMap((other) =>
      other.value === undefined || other.address === address
        ? []
        : [{ name: other.address, nm: other.value }],
    )
    const causes = explain({
      expected: keyIn.expected,
      observed: readBack.shown,
      unit,
      decimals,
      chain,
      kind,
      mode: keyIn.mode,
      gauges: knownSizes(gauges, axisOfAddress(address)),
      others,
      ...(keyIn.before === undefined ? {} : { before: keyIn.before }),
    })
    return { ...register, readBack: { ...readBack, causes } }
  })
}
