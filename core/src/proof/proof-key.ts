import { isOffsetRow, type OffsetRow } from '../address/row'

/** A proof by what it proves: a row of work offsets with one tool. */
export interface ProofName {
  readonly row: OffsetRow
  readonly tool: number
}

/**
 * A short text for it, the key of its step: `prove:G54:T1`.
 *
 * @example proofKey({ row: 'G54', tool: 1 }) // 'prove:G54:T1'
 */
export const proofKey = ({ row, tool }: ProofName): string => `prove:${row}:T${tool}`

/** The proof that a key names; undefined for a text that is no key of one. */
export function proofOfKey(key: string): ProofName | undefined {
  const [, row = '', tool] = /^prove:(.+):T(\d+)$/.exec(key) ?? []
  return isOffsetRow(row) ? { row, tool: Number(tool) } : undefined
}
