import type { Chain } from '../chain/chain'
import { planeUnder } from '../touch/touch'
import type { Reading } from '../facts/document'
import type { SourceReader } from './sources'

/** The plane under one Z touch: where the same nose or tip would stand with nothing between. */
export function planeUnderTouch(
  sources: SourceReader,
  reading: Reading,
  role: 'nose-at-contact' | 'tip-at-contact',
): Chain | undefined {
  const contact = sources.reading(reading, role)
  const gauges = sources.gaugesBeneath(reading)
  return contact && gauges && planeUnder(contact, gauges)
}
