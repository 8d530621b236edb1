import { addressParts, offsetAddress, type Address } from '../address/address'
import { chainOf, scaleChain, type Chain } from '../chain/chain'
import type { SetupDocument } from '../facts/document'
import type { SetupEvent } from '../facts/bodies/event'
import type { WrittenLength } from '../length/length'
import { nanometresOf } from '../length/read-length'
import { axesRead, moduleOf, type QuantityName } from '../quantities/quantities'
import type { SetupSheet } from '../sheet/sheet'
import { lengthAddressOf } from '../sheet/tool-rows'
import type { LengthReader } from './gauge-chains'

type RowStandsEvent = Extract<SetupEvent, { kind: 'row-stands' }>

type Facts = Pick<SetupDocument, 'sheet' | 'events' | 'readings'>

/**
 * Rows that stand as the control shows them, by their address: nobody touches them here, they are looked at and proven. One stands until
 * it is touched after all, or something moves what it was found by.
 */
export function standingRows({
  sheet,
  events,
  readings,
}: Facts): ReadonlyMap<Address, RowStandsEvent> {
  const standing = new Map<Address, RowStandsEvent>()
  for (const event of events) {
    if (event.kind === 'row-stands') standing.set(event.address, event)
    else
      for (const address of standing.keys())
        if (isMoved(address, event, sheet)) standing.delete(address)
  }
  for (const [address, { drawing }] of standing)
    if (drawing !== undefined && nanometresOf(drawing) !== nanometresOf(drawingOf(sheet, address)))
      standing.delete(address)
  for (const reading of readings)
    for (const address of rowsFoundBy(reading, sheet)) {
      const own = standing.get(address)
      if (own !== undefined && own.place < reading.place) standing.delete(address)
    }
  return standing
}

/** What the sheet calls the face of a row in X or Y, and in Z how far its zero lies below the stock top: where zero lies, by the sheet. */
export function drawingOf(
  { offsets }: Pick<SetupSheet, 'offsets'>,
  address: Address,
): WrittenLength | undefined {
  const parts = addressParts(address)
  if (parts?.of !== 'work-offset') return undefined
  const plan = offsets.find(({ row }) => row === parts.row)
  return parts.axis === 'Z' ? plan?.Z.facing : plan?.[parts.axis].drawing
}

/** The rows that a touch is made for: of a touch that is read on both axes, both. */
export function rowsFoundBy(quantity: QuantityName, sheet: SetupSheet): readonly Address[] {
  if ('row' in quantity && axesRead(quantity).length > 1)
    return axesRead(quantity).map((axis) => offsetAddress(quantity.row, axis))
  return moduleOf(quantity)
    .findings(quantity, sheet)
    .flatMap((finding) => (finding.of === 'register' ? [finding.address] : []))
}

/** Whether something happened that a row's number does not outlive, wherever that came from. */
function isMoved(address: Address, event: SetupEvent, sheet: SetupSheet): boolean {
  const parts = addressParts(address)
  switch (event.kind) {
    case 'part-changed':
      return parts?.of === 'work-offset' && parts.row === event.row
    case 'tool-changed':
      return lengthAddressOf(sheet, event.tool) === address
    case 'home-lost':
      return true
    case 'plane-moved':
      // X and Y know nothing of the plane.
      return parts?.of === 'length' || (parts?.of === 'work-offset' && parts.axis === 'Z')
    case 'external-changed':
      return parts?.of === 'work-offset' && parts.axis === event.axis
    default:
      return false
  }
}

/** What a row holds, as the control adds it. */
export function standingChain(
  { sheet }: Pick<SetupDocument, 'sheet'>,
  reader: LengthReader,
  { address, holds, place, by, at, whose }: RowStandsEvent,
): Chain | undefined {
  const length = reader.length(holds, { place: `facts.${place}.body.holds` })
  if (length === undefined) return undefined
  const chain = chainOf(
    {
      id: `facts.${place}.body.holds`,
      kind: 'declared',
      name:
        whose === undefined
          ? 'as the control shows it'
          : `as the control shows it, set by ${whose}`,
      length,
      by: by.name,
      at,
    },
    'row-stands',
  )
  const isTurned =
    addressParts(address)?.of === 'length' && sheet.machine.control.lengthSign === 'subtracted'
  return isTurned ? scaleChain(chain, -1) : chain
}
