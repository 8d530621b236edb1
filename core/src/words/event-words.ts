import type { SetupEvent } from '../setup/document'

/** Why a number is stale, to be said beside it. */
export function describeEvent(event: SetupEvent): string {
  switch (event.kind) {
    case 'part-changed':
      return `another part is in ${event.row}`
    case 'plane-moved':
      return 'the setting plane or its setter was moved'
    case 'tool-changed':
      return `T${event.tool} was broken, replaced or re-gripped`
    case 'home-lost':
      return 'the machine lost its home position'
  }
}
