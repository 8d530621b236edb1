import { NANOMETRES_PER, type WrittenLength } from '../length/length'
import type { Belief } from './believe'

/**
 * Whether a number is still being typed: it has no point yet, and fewer figures than what is expected has before its own. The
 * sign is often put in last, and does not count.
 */
export function isHalfTyped({ text, unit }: WrittenLength, { mm }: Belief): boolean {
  if (!/^[^.]*\d$/.test(text)) return false
  const whole = Math.floor(Math.abs(mm) * (NANOMETRES_PER.mm / NANOMETRES_PER[unit]))
  return text.replace(/\D/g, '').length < String(whole).length
}
