import { type SetupDocument } from '@pine/core/facts'
import { readLength, type LengthUnit, type Nanometres } from '@pine/core/length'
import { explain, groupTies, type Explanation } from '@pine/core/slips'
import { solve } from '@pine/core/solve'
import { describeCause } from '@pine/core/words'
import { Misunderstood } from './outcome'

/** Numbers as they were typed on the command line. */
export interface NumbersGiven {
  readonly expected: string
  readonly observed: string
  readonly unit?: LengthUnit
  readonly decimals?: string
  readonly before?: string
}

/** Which slips turn the expected number into the observed one, as text. */
export function findSlips(given: NumbersGiven, document: SetupDocument | undefined): string {
  const unit = given.unit ?? document?.sheet.unit ?? 'mm'
  const decimals = Number(
    given.decimals ?? document?.sheet.machine.control.decimals[unit] ?? (unit === 'mm' ? 3 : 4),
  )
  if (!Number.isInteger(decimals) || decimals < 1 || decimals > 6)
    throw new Misunderstood(`--decimals is “${given.decimals}”: expected 1 to 6`)
  const number = (name: string, text: string): Nanometres => {
    const read = readLength({ text, unit })
    if (!read.ok)
      throw new Misunderstood(`--${name} is “${text}”: expected a number such as -30.000`)
    return read.value.nm
  }
  const [expected, observed] = [
    number('expected', given.expected),
    number('observed', given.observed),
  ]
  const registers = document === undefined ? [] : solve(document).registers
  const register = registers.find(({ keyIn }) => keyIn?.expected === expected)
  const causes = explain({
    expected,
    observed,
    unit,
    decimals,
    ...(given.before === undefined ? {} : { before: number('before', given.before) }),
    ...(register?.chain && { chain: register.chain, kind: register.kind }),
    others: registers.flatMap(({ address, value }) =>
      value === undefined || address === register?.address ? [] : [{ name: address, nm: value }],
    ),
  })
  if (expected === observed) return 'The two numbers are equal.\n'
  if (causes.length === 0)
    return 'No slip of the known kinds, nor two of them at once, gives this number.\n'
  const about = register === undefined ? '' : `${register.address}:\n`
  const groups = groupTies(causes).map((tie, index) =>
    tie
      .map(
        (cause, place) =>
          `${place === 0 ? `${index + 1}.` : ' or'} ${describeCause(cause).title}${aboutOf(cause)}. ${describeCause(cause).look}`,
      )
      .join('\n'),
  )
  return `${about}${groups.join('\n')}\n`
}

/** What the slips of a cause are about, in brackets. */
function aboutOf({ about, and }: Explanation): string {
  const names = [about, and?.about].filter((name) => name !== undefined)
  return names.length === 0 ? '' : ` (${names.join(', ')})`
}
