import type { SheetDraft } from './sheet-draft'

/** What each page of the sheet is given. */
export interface SheetPageProps {
  readonly draft: SheetDraft
  readonly change: (next: SheetDraft) => void
  /** What is wrong at a place of the sheet; nothing until the page was left once. */
  readonly problem: (place: string) => string | undefined
}
