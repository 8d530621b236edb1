import type { SetupBodies } from '../facts/bodies/bodies'
import type { SetupDocument } from '../facts/document'

/** The program that a set-up ran with last, for the same job again; undefined where none was read for it. */
export function programAgain({
  programs,
}: Pick<SetupDocument, 'programs'>): SetupBodies['program'] | undefined {
  const last = programs.at(-1)
  if (last === undefined) return undefined
  const { name, bytes, sha256, reading } = last
  return { name, bytes, sha256, reading }
}
