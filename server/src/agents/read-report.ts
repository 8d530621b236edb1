import type { MachineReport } from '@pine/contract'
import { BadDocument, within, type Element } from './read-xml'

type Axis = 'X' | 'Y' | 'Z'

/** What a data item is, as the device declares it. */
interface Declared {
  readonly type: string
  readonly axis: Axis | undefined
  readonly coordinateSystem: string | undefined
  readonly subType: string | undefined
  readonly units: string | undefined
}

/** A device, and the items that it tells. */
export interface Device {
  readonly name: string
  readonly uuid: string
  readonly items: ReadonlyMap<string, Declared>
}

/** Which device an agent has, by its name, its uuid, or the only one. */
export function readDevice(document: Element, wanted: string | undefined): Device {
  if (document.name !== 'MTConnectDevices') throw new BadDocument(`it is ${document.name}`)
  const devices = [...within(document)].filter(({ name }) => name === 'Device')
  const device =
    wanted === undefined && devices.length === 1
      ? devices[0]
      : devices.find(({ attributes: { name, uuid } }) => name === wanted || uuid === wanted)
  if (device === undefined)
    throw new BadDocument(
      wanted === undefined ? 'it has several machines: name one' : `it has no machine ${wanted}`,
    )
  const items = new Map<string, Declared>()
  for (const item of within(device)) {
    const { id, type, coordinateSystem, subType, units } = item.attributes
    if (item.name !== 'DataItem' || id === undefined || type === undefined) continue
    items.set(id, {
      ...{ type: type.slice(type.indexOf(':') + 1), axis: axisOf(item) },
      ...{ coordinateSystem, subType, units },
    })
  }
  const { name = '', uuid = '' } = device.attributes
  return { name, uuid, items }
}

/** The axis whose component an item stands under. */
function axisOf(item: Element): Axis | undefined {
  for (let above = item.parent; above !== undefined; above = above.parent)
    if (above.name === 'Linear') {
      const { name = '', nativeName = '' } = above.attributes
      return (['X', 'Y', 'Z'] as const).find((axis) => name === axis || nativeName === axis)
    }
  return undefined
}

/** The report of a device. Lengths in whole nanometres. */
export function readReport(
  document: Element,
  device: Device,
): Omit<MachineReport, 'address' | 'askedAt' | 'apartMs' | 'isMoving'> {
  if (document.name !== 'MTConnectStreams') throw new BadDocument(`it is ${document.name}`)
  const header = document.children.find(({ name }) => name === 'Header')?.attributes ?? {}
  const [instance, sequence] = [Number(header['instanceId']), Number(header['lastSequence'])]
  if (!Number.isSafeInteger(instance) || !Number.isSafeInteger(sequence))
    throw new BadDocument('its header has no numbers')
  const at = header['creationTime'] ?? ''
  if (Number.isNaN(Date.parse(at))) throw new BadDocument('its header has no time')
  const observations = observationsOf(document, device)
  const of = (type: string, which: Partial<Declared> = {}) =>
    observations.find(
      ({ item }) =>
        item.type === type &&
        Object.entries(which).every(([key, value]) => item[key as keyof Declared] === value),
    )
  const text = (type: string): string | undefined => known(of(type)?.element.text)
  const number = (type: string): number | undefined => wholeOf(text(type))
  const positions = (coordinateSystem: string) => {
    const found: Partial<Record<Axis, number>> = {}
    for (const axis of ['X', 'Y', 'Z'] as const) {
      // What is commanded is not where it stands.
      const one = observations.find(
        ({ item }) =>
          item.type === 'POSITION' &&
          item.axis === axis &&
          item.coordinateSystem === coordinateSystem &&
          item.subType === 'ACTUAL' &&
          item.units === 'MILLIMETER',
      )
      const nm = nanometres(known(one?.element.text))
      if (nm !== undefined) found[axis] = nm
    }
    return found
  }
  const homed: Partial<Record<Axis, boolean>> = {}
  for (const axis of ['X', 'Y', 'Z'] as const) {
    const said = known(of('HOMED', { axis })?.element.text)
    if (said !== undefined) homed[axis] = said === 'YES'
  }
  const fault = [...within(document)].find(({ name }) => name === 'Fault')
  const emergency = text('EMERGENCY_STOP')
  const optional = {
    tool: number('TOOL_NUMBER'),
    workRow: text('WORK_OFFSET'),
    lengthRow: text('TOOL_OFFSET'),
    spindle: wholeOf(known((of('ROTARY_VELOCITY') ?? of('SPINDLE_SPEED'))?.element.text)),
    execution: text('EXECUTION'),
    mode: text('CONTROLLER_MODE'),
    program: text('PROGRAM'),
    line: number('LINE_NUMBER'),
    emergencyStop: emergency === undefined ? undefined : emergency === 'TRIGGERED',
    alarm: fault === undefined ? undefined : fault.text.trim().slice(0, 200),
  }
  return {
    ...{ device: device.name, uuid: device.uuid, instance, sequence, at },
    isAvailable: text('AVAILABILITY') === 'AVAILABLE',
    ...{ machine: positions('MACHINE'), work: positions('WORK'), homed },
    ...(Object.fromEntries(
      Object.entries(optional).filter(([, value]) => value !== undefined),
    ) as Partial<typeof optional>),
    rows: rowsOf(of('OFFSETS')?.element),
  } as Omit<MachineReport, 'address' | 'askedAt' | 'apartMs' | 'isMoving'>
}

/** Every observation of the device, with its declaration. */
function observationsOf(document: Element, { uuid, items }: Device) {
  const stream = [...within(document)].find(
    ({ name, attributes }) => name === 'DeviceStream' && attributes['uuid'] === uuid,
  )
  if (stream === undefined) throw new BadDocument('it tells nothing of the machine')
  return [...within(stream)].flatMap((element) => {
    const item = items.get(element.attributes['dataItemId'] ?? '')
    return item === undefined ? [] : [{ element, item }]
  })
}

/** The rows of a table: `H3`, `G54.X`, in whole nanometres. */
const rowsOf = (table: Element | undefined): MachineReport['rows'] =>
  (table?.children ?? []).flatMap(({ attributes: { name }, text }) => {
    const value = nanometres(known(text))
    return name === undefined || value === undefined ? [] : [{ row: name.slice(0, 20), value }]
  })

const known = (text: string | undefined): string | undefined => {
  const bare = text?.trim()
  return bare === undefined || bare === '' || bare === 'UNAVAILABLE'
    ? undefined
    : bare.slice(0, 200)
}

function nanometres(text: string | undefined): number | undefined {
  if (text === undefined || !/^-?\d{1,7}(\.\d+)?$/.test(text)) return undefined
  return Math.round(Number(text) * 1_000_000) + 0
}

function wholeOf(text: string | undefined): number | undefined {
  const number = text === undefined ? NaN : Number(text)
  return Number.isFinite(number) ? Math.round(number) : undefined
}
