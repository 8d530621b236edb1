import { ROLE_WORDS, type MemberHistory, type PersonChange } from '@pine/contract'

const CHANGE_WORDS: {
  [Kind in PersonChange['kind']]: (change: Extract<PersonChange, { kind: Kind }>) => string
} = {
  joined: ({ role }) => `came as ${ROLE_WORDS[role].name}`,
  role: ({ role }) => `became ${ROLE_WORDS[role].name}`,
  'new-pin': () => 'got a new PIN',
  left: () => 'left',
  back: () => 'came back',
}

/** What happened to a person's place, the latest first: “became setter, by Mira Toller”. */
export const changesInWords = ({ name, changes }: MemberHistory) =>
  changes.toReversed().map(({ change, by, at }) => {
    const words = CHANGE_WORDS[change.kind] as (change: PersonChange) => string
    return { words: words(change) + (by === name ? '' : `, by ${by}`), at }
  })

/** A code as it is read out and typed: two groups of four. */
export const spaced = (code: string): string => `${code.slice(0, 4)} ${code.slice(4)}`
