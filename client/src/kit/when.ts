import { format } from 'date-fns/format'
import { isSameDay } from 'date-fns/isSameDay'
import { isSameYear } from 'date-fns/isSameYear'
import { subDays } from 'date-fns/subDays'

/** A day as a person says it: “today”, “yesterday”, “Tue 24 Nov”; with its year where that is another one. */
export function dayWords(at: string, now = new Date()): string {
  const date = new Date(at)
  if (isSameDay(date, now)) return 'today'
  if (isSameDay(date, subDays(now, 1))) return 'yesterday'
  return format(date, isSameYear(date, now) ? 'EEE d MMM' : 'd MMM yyyy')
}

/** The same with the time of day: “today 14:05”. */
export const momentWords = (at: string, now = new Date()): string =>
  `${dayWords(at, now)} ${format(new Date(at), 'HH:mm')}`
