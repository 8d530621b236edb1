import { describeDay } from '../day-words'
import type { StaleReason } from '../../freshness/stale'
import type { PartStays, SetupEvent } from '../../facts/bodies/event'
import { registerName } from '../../address/address'
import type { Gauge } from '../../sheet/gauge'
import { lengthWords } from '../typographic'

/** The gauges of a sheet by the names that people call them. */
export type NamedGauges = readonly Pick<Gauge, 'id' | 'name'>[]

/** What happened, to be said beside a number that is stale by it. */
export function describeEvent(event: SetupEvent, gauges: NamedGauges): string {
  switch (event.kind) {
    case 'part-changed':
      return `another part is in ${event.row}${staysWords(event.stays)}`
    case 'plane-moved':
      return 'the setting plane or its setter was moved'
    case 'tool-changed':
      return `T${event.tool} was broken, replaced or re-gripped`
    case 'home-lost':
      return 'the machine lost its home position'
    case 'cycle-broken':
      return `a tool was changed by hand, without the control’s tool change: its cycle on ${nameOf(event.gauge, gauges)} counts from another tool`
    case 'external-changed':
      return `the external offset of ${event.axis} is ${lengthWords(event.value)} now`
    case 'row-stands':
      return `${registerName(event.address)} stands at ${lengthWords(event.holds)}, as the control shows it`
    case 'tool-rechecked':
      return `T${event.tool} was measured again: its row held ${lengthWords(event.holds)}, ${event.kept ? 'and was left so' : `and should hold ${lengthWords(event.found)}`}`
    case 'counter-zeroed':
      return `the relative counter of ${event.axis} was zeroed anew`
    case 'unit-changed':
      return 'the control was switched to another unit'
    case 'check-failed':
      return `${nameOf(event.gauge, gauges)} failed its check`
    case 'gauge-measured':
      return `${nameOf(event.gauge, gauges)} was measured anew: ${lengthWords(event.size)}`
    case 'order-told':
      return 'it was said which came first, a reading or what moved it'
    case 'corrected':
      return `${registerName(event.address)} was corrected by ${lengthWords(event.amount)} after T${event.because.tool} was measured`
    case 'rebased':
      return `lengths were re-based on T${event.tool}`
    case 'home-recovered':
      return event.uncertainty === undefined
        ? 'home was found again by its marks'
        : 'home was found again, and compared by known places'
  }
}

function staysWords(stays: PartStays | undefined): string {
  if (stays === undefined) return ''
  const stop = stays.faces.length === 0 ? '' : ', against the same stop'
  return `${stop}${stays.top ? ', of the same height' : ', of another height'}`
}

/** Why a number is stale, whatever the reason. */
export function describeStale(reason: StaleReason, gauges: NamedGauges): string {
  switch (reason.by) {
    case 'event':
      return describeEvent(reason.event, gauges)
    case 'order':
      return `${describeEvent(reason.event, gauges)}; the device that read it did not know of that, and nobody has said which came first`
    case 'check':
      return `it was reused from an earlier set-up, and the check touch of T${reason.tool}, reused with it, disagreed`
    case 'age':
      return `it was read more than ${reason.days} ${reason.days === 1 ? 'day' : 'days'} ago (${describeDay(reason.readAt)})`
  }
}

/** A gauge that is on no sheet any more is called by its id. */
const nameOf = (id: string, gauges: NamedGauges): string =>
  `the ${gauges.find((gauge) => gauge.id === id)?.name ?? `gauge ${id}`}`
