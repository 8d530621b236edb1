import type { AgainstTaking, Captured } from '../../facts/bodies/captured'

const AGAINST: Readonly<Record<AgainstTaking, (captured: Captured) => string>> = {
  'emergency-stop': () => 'Its emergency stop is pressed.',
  alarm: () => 'Its control shows an alarm: read it first.',
  'other-machine': ({ agent }) =>
    `This comes from ${agent}, the last reading from another machine.`,
  'not-homed': () => 'The axis is not homed: its position means nothing yet. Home it first.',
  moving: () => 'The axis was moving. Let it come to rest, and take it again.',
  late: () => 'Its answer is more than 2 s old, or its clock is that far off.',
  'other-tool': ({ tool }) =>
    tool === null || tool === undefined
      ? 'Its control has no tool in the spindle.'
      : `Its control has T${tool} in the spindle.`,
  turning: ({ spindle }) =>
    `The spindle turns at ${spindle} rpm: stop it before anything is touched.`,
  still: () => 'The spindle stands still: an edge finder is read while it turns.',
}

/** What contradicts a position that was taken from a machine, a sentence each. */
export const describeAgainst = (captured: Captured): readonly string[] =>
  (captured.against ?? []).map((code) => AGAINST[code](captured))

/** Where a reading came from, for its story. */
export const describeCaptured = ({ agent, sequence }: Captured): string =>
  `taken from ${agent} over the network, sequence ${sequence}`
