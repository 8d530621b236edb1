import { format } from 'date-fns/format'
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

/** What somebody is here now; of a program, until when. */
export function memberState({ role, leftAt, program }: MemberHistory): string {
  const { name } = ROLE_WORDS[role]
  if (program === undefined) return leftAt === null ? name : 'left'
  if (leftAt !== null) return 'program · its token was ended'
  return program.until === null
    ? 'program · its token has run out'
    : `program · ${name} until ${format(new Date(program.until), 'd MMM yyyy')}`
}

/** How long a token may be good, as a lead picks it. */
export const TOKEN_DAYS = [
  { value: '30', label: '30 days' },
  { value: '90', label: '90 days' },
  { value: '365', label: '1 year' },
] as const

/** A code as it is read out and typed: two groups of four. */
export const spaced = (code: string): string => `${code.slice(0, 4)} ${code.slice(4)}`
