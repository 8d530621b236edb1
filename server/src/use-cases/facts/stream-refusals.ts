import type { StreamKind } from '@pine/core/journal'
import { refuse } from '../../refusal'

const THINGS: Readonly<Record<StreamKind, { readonly name: string; readonly remedy: string }>> = {
  setup: {
    name: 'set-up',
    remedy: 'Go back to the list of set-ups and open one from there.',
  },
  machine: { name: 'machine', remedy: 'Load the list again.' },
  gauge: { name: 'gauge', remedy: 'Load the list again.' },
  tool: { name: 'tool', remedy: 'Look for it in the list, or scan its label again.' },
}

export const noStream = (kind: StreamKind, id: string) =>
  refuse('not-found', {
    message: `There is no such ${THINGS[kind].name}.`,
    expected:
      kind === 'setup' ? 'the id of a set-up in the list' : `a ${THINGS[kind].name} of the shop`,
    received: id,
    remedy: THINGS[kind].remedy,
  })

export const idInUse = (id: string) =>
  refuse('id-already-used', {
    place: 'id',
    message: 'This id was already used for something else.',
    expected: 'a new UUID for each new fact',
    received: id,
    remedy: 'Send the fact again with a new id.',
  })

export const enteredByAnother = () =>
  refuse('not-signed-in', {
    message: 'This was entered by another person than the one who is signed in.',
    expected: 'the person who entered it',
    received: 'another session',
    remedy: 'It waits on the device until that person signs in there again.',
  })
