import { createEvents, type EventAttributes } from 'ics'
import type { GaugeStandings, ShopGauge } from '@pine/contract'

/**
 * Due dates of checks as a calendar, RFC 5545: one day-long entry for each gauge that is watched and was checked. What is due
 * already stands at the day on which it fell due.
 */
export function dueDates(standings: GaugeStandings, gauges: readonly ShopGauge[]): string {
  const events = standings.flatMap(({ id, dueOn, isSuspect }): readonly EventAttributes[] => {
    const name = gauges.find((one) => one.id === id)?.gauge.name
    if (dueOn === undefined || name === undefined) return []
    const [year = 0, month = 0, day = 0] = dueOn.split('-').map(Number)
    return [
      {
        uid: `${id}@pine-compass`,
        title: `Check the ${name}`,
        description: isSuspect
          ? 'Its last check was not good: look at what was measured with it.'
          : 'Read it against its own master.',
        start: [year, month, day],
        duration: { days: 1 },
        productId: 'pine-compass',
        calName: 'Checks of gauges',
      },
    ]
  })
  const { value, error } = createEvents([...events])
  if (!value) throw error ?? new Error('the calendar has no text')
  return foldedByOctets(value)
}

/** RFC 5545, 3.1: a line has at most 75 octets, without its break; what is longer goes on in the next one behind a space. */
const LONGEST_LINE = 75

/** The library counts characters: letters beyond ASCII are two to four octets. */
function foldedByOctets(calendar: string): string {
  const whole = calendar.replace(/\r\n[ \t]/g, '')
  return whole.split('\r\n').map(foldedLine).join('\r\n')
}

function foldedLine(line: string): string {
  const lines: string[] = []
  let [part, octets] = ['', 0]
  for (const character of line) {
    const size = Buffer.byteLength(character)
    if (octets + size > LONGEST_LINE) {
      lines.push(part)
      // The space that it goes on behind counts.
      ;[part, octets] = [' ', 1]
    }
    part += character
    octets += size
  }
  return [...lines, part].join('\r\n')
}
