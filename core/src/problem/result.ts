import type { Problem } from './problem'

/** Outcome of a call that may fail in an expected way: a value, or a problem that says what to do. */
export type Result<T> =
  { readonly ok: true; readonly value: T } | { readonly ok: false; readonly problem: Problem }

export const success = <T>(value: T): Result<T> => ({ ok: true, value })

export const failure = (problem: Problem): { readonly ok: false; readonly problem: Problem } => ({
  ok: false,
  problem,
})
