import type { Address } from '../address/address'
import type { Chain, TermRole } from '../chain/chain'
import type { SetupDocument } from '../facts/document'
import { toNanometres, type Nanometres, type WrittenLength } from '../length/length'
import { nanometresOf } from '../length/read-length'
import type { Register, TrustState } from '../registers/register'
import type { SetupSheet } from '../sheet/sheet'
import type { Solution } from '../solve/solution'

/** A set-up at one moment, with what it comes to. */
export interface Standing {
  readonly document: SetupDocument
  readonly solution: Pick<Solution, 'registers'>
}

/** A part of a number that is another one now: what was read, a gauge, what the sheet declares. */
export interface TermDifference {
  readonly role: TermRole
  /** What the person calls it. */
  readonly name: string
  /** What it adds to the number; absent where it is no part of it. */
  readonly then?: Nanometres
  readonly now?: Nanometres
}

/** A register that is another number, or that one of the two has not. */
export interface RegisterDifference {
  readonly address: Address
  readonly then?: { readonly value: Nanometres; readonly state: TrustState }
  readonly now?: { readonly value: Nanometres; readonly state: TrustState }
  /** Parts of it that differ, the largest difference first; their sum is the difference. */
  readonly because: readonly TermDifference[]
}

/** What the two are declared with, where it differs. */
export type SheetDifference =
  | { readonly of: 'machine' | 'plane' | 'school'; readonly then: string; readonly now: string }
  | {
      readonly of: 'gauge' | 'stock' | 'holding'
      /** Which gauge, which axis, jaws or parallels. */
      readonly which: string
      readonly then?: WrittenLength
      readonly now?: WrittenLength
    }
  | {
      readonly of: 'tool'
      readonly number: number
      /** What it is called; absent where there is none of that number. */
      readonly then?: string
      readonly now?: string
    }
  | { readonly of: 'program'; readonly then?: string; readonly now?: string }

export interface SetupDifferences {
  readonly registers: readonly RegisterDifference[]
  /** Registers that are the same number in both. */
  readonly equal: readonly Address[]
  readonly sheet: readonly SheetDifference[]
}

/** Two set-ups, or two moments of one, by what they mean: which numbers differ, by which of their parts, and what was declared. */
export function compareSetups(then: Standing, now: Standing): SetupDifferences {
  const byAddress = ({ solution }: Standing) =>
    new Map(solution.registers.map((register) => [register.address, register] as const))
  const [before, after] = [byAddress(then), byAddress(now)]
  const addresses = [...new Set([...after.keys(), ...before.keys()])]
  const pairs = addresses.map((address) => ({
    address,
    was: before.get(address),
    is: after.get(address),
  }))
  const known = pairs.filter(({ was, is }) => was?.value !== undefined || is?.value !== undefined)
  const isSame = ({ was, is }: (typeof pairs)[number]) => was?.value === is?.value
  return {
    registers: known.filter((pair) => !isSame(pair)).map(differenceOf),
    equal: known.filter(isSame).map(({ address }) => address),
    sheet: sheetDifferences(then.document, now.document),
  }
}

function differenceOf({
  address,
  was,
  is,
}: {
  readonly address: Address
  readonly was: Register | undefined
  readonly is: Register | undefined
}): RegisterDifference {
  const shown = (register: Register | undefined) =>
    register?.value === undefined ? undefined : { value: register.value, state: register.state }
  const [then, now] = [shown(was), shown(is)]
  return {
    address,
    ...(then && { then }),
    ...(now && { now }),
    // Of a number that one of them has not, every part is new: that says nothing.
    because: then && now ? termDifferences(was?.chain, is?.chain) : [],
  }
}

/** The parts of two chains that differ: repeats of one thing are one part. */
function termDifferences(
  then: Chain | undefined,
  now: Chain | undefined,
): readonly TermDifference[] {
  const parts = (chain: Chain | undefined) => {
    const sums = new Map<string, { role: TermRole; name: string; sum: number }>()
    for (const { source, role, coefficient } of chain?.terms ?? []) {
      const key = `${role}\n${source.name}`
      const before = sums.get(key)?.sum ?? 0
      sums.set(key, { role, name: source.name, sum: before + coefficient * source.length.nm })
    }
    return sums
  }
  const [was, is] = [parts(then), parts(now)]
  return [...new Set([...was.keys(), ...is.keys()])]
    .flatMap((key) => {
      const [one, other] = [was.get(key), is.get(key)]
      const part = other ?? one
      if (part === undefined || Math.abs((other?.sum ?? 0) - (one?.sum ?? 0)) < 0.5) return []
      const { role, name } = part
      return [
        {
          ...{ role, name },
          ...(one && { then: toNanometres(Math.round(one.sum)) }),
          ...(other && { now: toNanometres(Math.round(other.sum)) }),
        },
      ]
    })
    .toSorted((one, other) => sizeOf(other) - sizeOf(one))
}

const sizeOf = ({ then = toNanometres(0), now = toNanometres(0) }: TermDifference): number =>
  Math.abs(now - then)

function sheetDifferences(
  { sheet: then, programs: before }: SetupDocument,
  { sheet: now, programs: after }: SetupDocument,
): readonly SheetDifference[] {
  const texts = (
    [
      ['machine', then.machine.name, now.machine.name],
      ['plane', then.plane, now.plane],
      ['school', then.school, now.school],
    ] as const
  ).flatMap(([of, was, is]) => (was === is ? [] : [{ of, then: was, now: is }]))
  const [was, is] = [before.at(-1)?.sha256, after.at(-1)?.sha256]
  return [
    ...texts,
    ...(was === is ? [] : [{ of: 'program' as const, then: was, now: is }]),
    ...lengthDifferences('gauge', gaugesOf(then), gaugesOf(now)),
    ...lengthDifferences('stock', stockOf(then), stockOf(now)),
    ...lengthDifferences('holding', holdingOf(then), holdingOf(now)),
    ...toolDifferences(then, now),
  ].map(withoutUndefined)
}

type Lengths = ReadonlyMap<string, WrittenLength>

const gaugesOf = ({ gauges }: SetupSheet): Lengths =>
  new Map(gauges.map(({ name, size }) => [name, size]))

const named = (record: object | undefined): Lengths =>
  new Map(
    Object.entries(record ?? {}).filter(
      (entry): entry is [string, WrittenLength] =>
        typeof entry[1] === 'object' && entry[1] !== null && 'text' in entry[1],
    ),
  )

const stockOf = ({ stock }: SetupSheet): Lengths => named(stock)
const holdingOf = ({ holding }: SetupSheet): Lengths => named(holding)

/** Sizes that are others, or that only one of the two has. Written otherwise, the same size is the same. */
const lengthDifferences = (
  of: 'gauge' | 'stock' | 'holding',
  then: Lengths,
  now: Lengths,
): readonly SheetDifference[] =>
  [...new Set([...then.keys(), ...now.keys()])].flatMap((which) => {
    const [was, is] = [then.get(which), now.get(which)]
    if (nanometresOf(was) === nanometresOf(is)) return []
    return [{ of, which, ...(was && { then: was }), ...(is && { now: is }) }]
  })

function toolDifferences(then: SetupSheet, now: SetupSheet): readonly SheetDifference[] {
  const numbers = [...new Set([...then.tools, ...now.tools].map(({ number }) => number))]
  return numbers
    .toSorted((one, other) => one - other)
    .flatMap((number) => {
      const was = then.tools.find((tool) => tool.number === number)
      const is = now.tools.find((tool) => tool.number === number)
      const isSame =
        was !== undefined &&
        is !== undefined &&
        was.name === is.name &&
        // A sheet from before the shop's own tools, or from a file, names none: then its name tells.
        (was.assembly === undefined || is.assembly === undefined || was.assembly === is.assembly)
      return isSame
        ? []
        : [{ of: 'tool', number, ...(was && { then: was.name }), ...(is && { now: is.name }) }]
    })
}

const withoutUndefined = (difference: SheetDifference): SheetDifference =>
  Object.fromEntries(
    Object.entries(difference).filter(([, value]) => value !== undefined),
  ) as unknown as SheetDifference
