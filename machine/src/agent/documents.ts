import { create } from 'xmlbuilder2'
import type { XMLBuilder } from 'xmlbuilder2/lib/interfaces'
import type { Observation, ObservationBuffer } from './buffer'
import { COMPONENTS, ITEMS, OWN, type ComponentId, type Item } from './items'

// The documents of ANSI/MTC1.4 (MTConnect 1.4), from memory: device, streams, error.

const VERSION = '1.4.0.0'

/** Who tells, and which time it is told: the numbers of a buffer begin anew with each instance. */
export interface Sender {
  readonly device: string
  readonly uuid: string
  /** A whole number that is another one after each start. */
  readonly instance: number
  /** ISO 8601. */
  readonly at: string
}

/** Codes of errors that the standard names. */
export const AGENT_ERRORS = [
  'INVALID_REQUEST',
  'NO_DEVICE',
  'OUT_OF_RANGE',
  'UNSUPPORTED',
  'INTERNAL_ERROR',
] as const

function document(kind: 'Devices' | 'Streams' | 'Error', header: Record<string, string | number>) {
  const root = create({ version: '1.0', encoding: 'UTF-8' }).ele(`MTConnect${kind}`, {
    xmlns: `urn:mtconnect.org:MTConnect${kind}:1.4`,
    ...(kind !== 'Error' && { [`xmlns:${OWN.prefix}`]: OWN.uri }),
  })
  root.ele('Header', header)
  return root
}

const headerOf = ({ device, instance, at }: Sender, buffer: ObservationBuffer) => ({
  ...{ creationTime: at, sender: device, instanceId: instance, version: VERSION },
  bufferSize: buffer.size,
})

/** What the device is made of and what it tells. */
export function probeXml(sender: Sender, buffer: ObservationBuffer): string {
  const root = document('Devices', {
    ...headerOf(sender, buffer),
    ...{ assetBufferSize: 0, assetCount: 0 },
  })
  const device = root
    .ele('Devices')
    .ele('Device', { id: 'device', name: sender.device, uuid: sender.uuid })
  device.ele('Description').txt('A simulated machine, for practice and tests')
  items(device, 'device')
  const parts = device.ele('Components')
  const axes = parts.ele('Axes', { id: 'axes', name: 'axes' }).ele('Components')
  for (const id of ['x', 'y', 'z', 's'] as const)
    items(axes.ele(COMPONENTS[id].of, { id, name: COMPONENTS[id].name }), id)
  const controller = parts.ele('Controller', { id: 'controller', name: 'controller' })
  items(controller, 'controller')
  items(controller.ele('Components').ele('Path', { id: 'path', name: 'path' }), 'path')
  return root.end({ prettyPrint: true })
}

function items(component: XMLBuilder, of: ComponentId): void {
  const list = component.ele('DataItems')
  for (const { id, category, type, subType, units, coordinateSystem } of ITEMS.filter(
    (item) => item.component === of,
  ))
    list.ele('DataItem', {
      ...{ category, id, type },
      ...(subType !== undefined && { subType }),
      ...(units !== undefined && { units }),
      ...(coordinateSystem !== undefined && { coordinateSystem }),
    })
}

/** What stands now. */
export const currentXml = (sender: Sender, buffer: ObservationBuffer): string =>
  streams(sender, buffer, buffer.current(), buffer.nextSequence)

/** Changes from a number on. */
export function sampleXml(
  sender: Sender,
  buffer: ObservationBuffer,
  from: number,
  count: number,
): string {
  const told = buffer.from(from, count)
  return streams(sender, buffer, told, (told.at(-1)?.sequence ?? buffer.lastSequence) + 1)
}

function streams(
  sender: Sender,
  buffer: ObservationBuffer,
  told: readonly Observation[],
  nextSequence: number,
): string {
  const root = document('Streams', {
    ...headerOf(sender, buffer),
    ...{ nextSequence, firstSequence: buffer.firstSequence, lastSequence: buffer.lastSequence },
  })
  const device = root.ele('Streams').ele('DeviceStream', { name: sender.device, uuid: sender.uuid })
  for (const component of Object.keys(COMPONENTS) as ComponentId[]) {
    const { of, name } = COMPONENTS[component]
    const here = told.flatMap((observation) => {
      const item = ITEMS.find(({ id }) => id === observation.id)
      return item?.component === component ? [{ item, observation }] : []
    })
    if (here.length === 0) continue
    const stream = device.ele('ComponentStream', {
      ...{ component: of, name: name === '' ? sender.device : name, componentId: component },
    })
    for (const [category, list] of [
      ['SAMPLE', 'Samples'],
      ['EVENT', 'Events'],
      ['CONDITION', 'Condition'],
    ] as const) {
      const of = here.filter(({ item }) => item.category === category)
      if (of.length === 0) continue
      const group = stream.ele(list)
      for (const { item, observation } of of) tell(group, item, observation)
    }
  }
  return root.end({ prettyPrint: true })
}

function tell(group: XMLBuilder, item: Item, { sequence, at, value }: Observation): void {
  const said = { dataItemId: item.id, timestamp: at, sequence }
  if (typeof value === 'string') {
    const { subType } = item
    group.ele(item.element, { ...said, ...(subType !== undefined && { subType }) }).txt(value)
  } else if ('table' in value) {
    const table = group.ele(item.element, { ...said, count: value.table.length })
    for (const [row, millimetres] of value.table)
      table.ele(`${OWN.prefix}:Row`, { name: row }).txt(millimetres)
  } else {
    const condition = group.ele(value.condition, { ...said, type: item.type })
    if (value.words !== '') condition.txt(value.words)
  }
}

/** Why nothing is told. */
export function errorXml(
  sender: Sender,
  buffer: ObservationBuffer,
  code: (typeof AGENT_ERRORS)[number],
  words: string,
): string {
  const root = document('Error', headerOf(sender, buffer))
  root.ele('Errors').ele('Error', { errorCode: code }).txt(words)
  return root.end({ prettyPrint: true })
}
