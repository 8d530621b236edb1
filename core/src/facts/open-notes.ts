import type { Entered } from '../journal/entered'
import type { SetupDocument } from './document'

/** A note that nobody has put away yet. */
export type OpenNote = Entered & { readonly text: string }

/** What was left for whoever goes on, and was not read yet by anybody else: the oldest first. */
export function openNotes({ notes }: Pick<SetupDocument, 'notes'>): readonly OpenNote[] {
  const read = new Set(notes.flatMap((note) => ('noteRead' in note ? [note.noteRead] : [])))
  return notes.filter((note): note is OpenNote => 'text' in note && !read.has(note.id))
}
