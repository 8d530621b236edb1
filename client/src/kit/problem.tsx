import { Words } from './words'

/** What went wrong with what was just done; nothing where it went right. */
export const Problem = ({ words }: { readonly words: string | undefined }) =>
  words === undefined ? null : (
    <Words role="alert" tone="wrong">
      {words}
    </Words>
  )
