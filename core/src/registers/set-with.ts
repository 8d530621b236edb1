import { toolOffsetAddress, type Address } from '../address/address'
import type { OffsetRow } from '../address/row'
import type { SetupDocument } from '../facts/document'

/** Z of a row that is set anew with a tool. */
export interface SetWith {
  readonly address: Address
  readonly row: OffsetRow
  readonly tool: number
}

/**
 * On a control that keeps no lengths: every tool with the rows that the program moves it in, tool by tool in the order of the
 * sheet; where no program was read, or it calls none of them, every tool with every row.
 */
export function setWith({
  sheet: { tools, offsets },
  programs,
}: Pick<SetupDocument, 'sheet' | 'programs'>): readonly SetWith[] {
  const used = new Set(
    (programs.at(-1)?.reading.operations ?? []).flatMap(({ tool, rows }) =>
      rows.map(({ row }) => `${row} ${tool}`),
    ),
  )
  const all = tools.flatMap(({ number: tool }) =>
    offsets.map(({ row }) => ({ address: toolOffsetAddress(row, tool), row, tool })),
  )
  const called = all.filter(({ row, tool }) => used.has(`${row} ${tool}`))
  return called.length === 0 ? all : called
}
