import { toNanometres, type LengthUnit, type Nanometres } from '../../length/length'
import type { MachineAxis } from '../../address/row'
import type { Extent, Operation, ProgramReading } from '../program-reading'

const AXES: readonly MachineAxis[] = ['X', 'Y', 'Z']

/** What a revision of a program means for the set-up. Numbers are before and after. */
export type ProgramChange =
  | {
      readonly kind: 'unit'
      readonly before: LengthUnit | undefined
      readonly after: LengthUnit | undefined
    }
  | {
      readonly kind: 'order'
      readonly before: readonly number[]
      readonly after: readonly number[]
    }
  | ({ readonly tool: number | undefined } & (
      | { readonly kind: 'tool-added' | 'tool-removed'; readonly name?: string }
      | {
          readonly kind: 'lengths' | 'diameters' | 'speeds' | 'feeds'
          readonly before: readonly number[]
          readonly after: readonly number[]
        }
      | {
          readonly kind: 'rows'
          readonly before: readonly string[]
          readonly after: readonly string[]
        }
      | { readonly kind: 'depth'; readonly before?: Nanometres; readonly after?: Nanometres }
      | {
          readonly kind: 'extent'
          readonly row: string
          readonly axis: MachineAxis
          readonly before: Extent
          readonly after: Extent
        }
    ))

/**
 * What is different for the person at the machine: tools, registers, offsets, depths, extents, speeds and
 * feeds of each operation. How the program is written down, its line numbers and its comments do not count.
 * An operation is known again by its tool, and by which stay of that tool it is.
 */
export function comparePrograms(
  before: ProgramReading,
  after: ProgramReading,
): readonly ProgramChange[] {
  const [old, now] = [staysOf(before), staysOf(after)]
  const orders = [before, after].map(({ operations }) =>
    operations.flatMap(({ tool }) => (tool === undefined ? [] : [tool])),
  )
  const [orderBefore = [], orderAfter = []] = orders
  const sameTools = sorted(orderBefore).join() === sorted(orderAfter).join()
  return [
    ...(before.unit === after.unit
      ? []
      : [{ kind: 'unit' as const, before: before.unit, after: after.unit }]),
    ...(sameTools && orderBefore.join() !== orderAfter.join()
      ? [{ kind: 'order' as const, before: orderBefore, after: orderAfter }]
      : []),
    ...[...old].flatMap(([stay, operation]): readonly ProgramChange[] => {
      const other = now.get(stay)
      return other === undefined
        ? [{ kind: 'tool-removed', ...named(operation) }]
        : changesOf(operation, other)
    }),
    ...[...now].flatMap(([stay, operation]): readonly ProgramChange[] =>
      old.has(stay) ? [] : [{ kind: 'tool-added', ...named(operation) }],
    ),
  ]
}

function changesOf(before: Operation, after: Operation): readonly ProgramChange[] {
  const { tool } = before
  const registers = (kind: 'lengths' | 'diameters') =>
    [before, after].map((one) => sorted(one[kind].map(({ register }) => register)))
  const numbers = (kind: 'speeds' | 'feeds') => [before, after].map((one) => sorted(one[kind]))
  const [rowsBefore = [], rowsAfter = []] = [before, after].map(({ rows }) =>
    rows.map(({ row }) => row).sort(),
  )
  const [low, lower] = [before.lowestZ?.z, after.lowestZ?.z]
  return [
    ...(['lengths', 'diameters', 'speeds', 'feeds'] as const).flatMap(
      (kind): readonly ProgramChange[] => {
        const [was = [], is = []] =
          kind === 'speeds' || kind === 'feeds' ? numbers(kind) : registers(kind)
        return was.join() === is.join() ? [] : [{ kind, tool, before: was, after: is }]
      },
    ),
    ...(rowsBefore.join() === rowsAfter.join()
      ? []
      : [{ kind: 'rows' as const, tool, before: rowsBefore, after: rowsAfter }]),
    ...(low === lower
      ? []
      : [
          {
            kind: 'depth' as const,
            tool,
            ...(low !== undefined && { before: low }),
            ...(lower !== undefined && { after: lower }),
          },
        ]),
    ...before.rows.flatMap(({ row, extents }) => {
      const other = after.rows.find((one) => one.row === row)?.extents
      return AXES.flatMap((axis): readonly ProgramChange[] => {
        const [was, is] = [extents[axis], other?.[axis]]
        // The lowest Z has been told as the depth.
        const [from, to] = axis === 'Z' ? [was?.[1], is?.[1]] : [was?.join(), is?.join()]
        return was === undefined || is === undefined || from === to
          ? []
          : [{ kind: 'extent', tool, row, axis, before: was, after: is }]
      })
    }),
  ]
}

/** Operations by tool and by which stay of the tool it is: `6 1`, `6 2`. */
function staysOf({ operations }: ProgramReading): ReadonlyMap<string, Operation> {
  const counts = new Map<number | undefined, number>()
  return new Map(
    operations.map((operation) => {
      const count = (counts.get(operation.tool) ?? 0) + 1
      counts.set(operation.tool, count)
      return [`${operation.tool} ${count}`, operation] as const
    }),
  )
}

const named = ({ tool, name }: Operation) => ({ tool, ...(name !== undefined && { name }) })
const sorted = (numbers: readonly number[]): readonly number[] => [...numbers].sort((a, b) => a - b)

/** How much deeper the second depth is; below zero it is shallower. */
export const deeperBy = (before: Nanometres, after: Nanometres): Nanometres =>
  toNanometres(before - after)
