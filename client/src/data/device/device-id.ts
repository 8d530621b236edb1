import { v4 as uuid } from 'uuid'
import { kept } from './kept'

const stored = kept<string>('device', '')

/**
 * What tells this browser from every other one: facts that it enters are in order among each other, whatever it had heard
 * of others. Made once; it says nothing of whoever holds the device.
 */
export function deviceId(): string {
  if (stored.read() === '') stored.write(uuid())
  return stored.read()
}
