import { hash, verify } from '@node-rs/argon2'
import { FewAtATime } from '../few-at-a-time'

/**
 * Hashing a PIN is made to take a core for a while, in a thread of its own. One at a time leaves the other cores to those who
 * are at their machines; a shift that signs in all at once waits for seconds, and a flood is told to come again.
 */
const hashing = new FewAtATime(1, 40)

/** A PIN as it is kept, with how many digits it has. */
export const secretOf = async (pin: string) => ({
  pinHash: await hashing.run(() => hash(pin)),
  pinDigits: pin.length,
})

export const isSecret = (pinHash: string, pin: string): Promise<boolean> =>
  hashing.run(() => verify(pinHash, pin))
