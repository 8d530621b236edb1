import { factWords } from '@pine/contract'
import type { Author } from '@pine/core/journal'
import { isOf } from '@/data/outbox/outbox'
import type { OutboxEntry } from '@/data/outbox/outbox-entry'

/** What of this device is not with the server: in words, and what was refused one by one. */
export interface OutboxView {
  readonly lines: readonly string[]
  readonly refused: readonly {
    readonly id: string
    readonly words: string
    /** The fact as it stands here, to be kept elsewhere before it is taken out. */
    readonly file: string
  }[]
}

/** The first entry of a person that waits here: while it is the same one, it has not arrived. */
export const firstWaiting = (
  entries: readonly OutboxEntry[],
  person: Author | null | undefined,
): string | undefined =>
  entries.find((entry) => entry.refused === undefined && (!person || isOf(entry, person)))?.fact.id

/** @param isLate what is on its way has been so for longer than a moment: before that it is not worth a line that moves the page. */
export function outboxView(
  entries: readonly OutboxEntry[],
  person: Author | null | undefined,
  keepsNothing: boolean,
  reached = true,
  isLate = true,
): OutboxView {
  const waiting = entries.filter(({ refused }) => refused === undefined)
  const own = waiting.filter((entry) => !person || isOf(entry, person))
  const others = new Map<string, number>()
  for (const { by } of waiting.filter((entry) => !own.includes(entry))) {
    const name = typeof by === 'string' ? by : by.name
    others.set(name, (others.get(name) ?? 0) + 1)
  }
  const where = keepsNothing
    ? 'not kept on this device: stay on this page until it is with the server.'
    : reached
      ? 'kept on this device and on the way to the server.'
      : 'kept on this device and sent later.'
  return {
    lines: [
      ...(reached || own.length > 0 ? [] : ['No connection: shown as seen here last. Work on.']),
      ...(own.length > 0 && (isLate || !reached || keepsNothing)
        ? [`${reached ? '' : 'No connection. '}${entriesAre(own.length)} ${where}`]
        : []),
      ...[...others].map(
        ([name, count]) => `${entriesAre(count)} kept here until ${name} signs in.`,
      ),
      ...(keepsNothing && own.length === 0
        ? ['This browser keeps nothing of what you enter until it is with the server.']
        : []),
    ],
    refused: entries.flatMap(({ fact, refused, ...rest }) =>
      refused === undefined
        ? []
        : [
            {
              id: fact.id,
              words: `${factWords(fact)} was not accepted: ${refused.message} ${refused.remedy}`,
              file: JSON.stringify({ ...rest, fact, refused }, null, 2),
            },
          ],
    ),
  }
}

const entriesAre = (count: number): string => (count === 1 ? '1 entry is' : `${count} entries are`)
