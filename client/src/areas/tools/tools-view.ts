import type { MachineEntry, ToolHistory, ToolLine } from '@pine/contract'
import {
  PROPERTY_NAMES,
  TOOL_PROPERTIES,
  type ToolAssembly,
  type ToolHappening,
} from '@pine/core/shop'
import { formatLength, NANOMETRES_PER, readLength, toNanometres } from '@pine/core/length'
import { lengthWords, typographic, describeDay } from '@pine/core/words'

/** What may have happened to a tool, as a person says it. */
export const HAPPENING_NAMES: Readonly<Record<ToolHappening, string>> = {
  replaced: 'replaced by another',
  're-gripped': 're-gripped',
  're-ground': 're-ground',
  broken: 'broken',
  'out-of-holder': 'out of its holder',
}

/** Where a tool is, as it is called there. */
export function placeWords(
  { tool: { place }, displaced }: Pick<ToolLine, 'tool' | 'displaced'>,
  machines: readonly Pick<MachineEntry, 'id' | 'machine'>[] = [],
): string {
  if (place === undefined) return 'in no machine'
  const on = machines.find(({ id }) => id === place.machine)?.machine.name
  const where = on === undefined ? `T${place.pocket}` : `T${place.pocket} in ${on}`
  return displaced ? `out of its pocket: another is ${where} now` : where
}

/** What stands under a label, to be typed where no camera is at hand. */
export const codeOf = (id: string): string => id.slice(-8).toUpperCase()

const ID = /[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}/i

/** What a label holds: the address of the tool’s page, so that any camera opens it. */
export const labelText = (origin: string, id: string): string => `${origin}/tools/${id}`

/** The tool that a label is of; undefined for a label of something else. */
export const toolOfLabel = (text: string): string | undefined =>
  /\/tools\//.test(text) ? ID.exec(text)?.[0].toLowerCase() : undefined

/** Its properties by their symbols and plain names. */
export function propertyLines({ properties = {}, holder, stickOut }: ToolAssembly) {
  const of = PROPERTY_NAMES.flatMap((symbol) => {
    const value = properties[symbol]
    if (value === undefined) return []
    const { name, is } = TOOL_PROPERTIES[symbol]
    const text =
      typeof value === 'number' ? `${value}${is === 'angle' ? '°' : ''}` : lengthWords(value)
    return [{ symbol, name, text }]
  })
  return [
    ...of,
    ...(holder ? [{ symbol: '', name: 'holder', text: holder.name }] : []),
    ...(holder?.seat
      ? [
          {
            symbol: '',
            name: 'sits by',
            text: holder.seat === 'taper' ? 'its taper alone' : 'a face against the nose',
          },
        ]
      : []),
    ...(stickOut ? [{ symbol: '', name: 'sticks out', text: lengthWords(stickOut) }] : []),
  ]
}

/** What was measured of it, the youngest first. */
export function measuredLines({ measured }: Pick<ToolHistory, 'measured'>) {
  return measured.map(
    ({ setup, name, machine, number, at, by, length, lengthWithinMm, ...one }) => ({
      setup,
      name,
      on: describeDay(at),
      where: `T${number}${machine === '' ? '' : ` in ${machine}`} · ${one.plane}`,
      how: one.touched
        ? `${by}${one.with.length > 0 ? `, on the ${one.with.join(' and ')}` : ''}`
        : 'reused',
      length: length && lengthWords(length),
      within:
        lengthWithinMm === undefined || length === undefined
          ? undefined
          : `± ${inUnit(lengthWithinMm, length.unit)}`,
    }),
  )
}

const inUnit = (mm: number, unit: 'mm' | 'in'): string =>
  typographic(
    formatLength(toNanometres(Math.round(mm * NANOMETRES_PER.mm)), unit, unit === 'mm' ? 3 : 4),
  )

/** Its length over time, oldest first, where at least two set-ups tell it. In the unit of the last. */
export function lengthChart({ measured, repeatsMm }: Pick<ToolHistory, 'measured' | 'repeatsMm'>) {
  const known = measured
    .flatMap(({ at, length, touched }) => {
      const read = touched && length ? readLength(length) : undefined
      return read?.ok && length ? [{ at, nm: read.value.nm, unit: length.unit }] : []
    })
    .reverse()
  const [first, last] = [known[0], known.at(-1)]
  if (first === undefined || last === undefined || known.length < 2) return undefined
  const { unit } = last
  const points = known.map(({ at, nm }) => ({
    on: at.slice(5, 10),
    off: (nm - first.nm) / NANOMETRES_PER[unit],
  }))
  const reach = Math.max(...points.map(({ off }) => Math.abs(off)), LEAST_REACH[unit])
  const change = toNanometres(last.nm - first.nm)
  const decimals = unit === 'mm' ? 3 : 4
  return {
    points,
    reach: reach * 1.2,
    decimals,
    text: `${known.length} times measured; the last is ${typographic(formatLength(change, unit, decimals))} ${unit} from the first.${
      repeatsMm === undefined
        ? ''
        : ` Left alone it comes again within ± ${inUnit(2 * repeatsMm, unit)} ${unit}.`
    }`,
  }
}

/** A line that is flat is drawn flat, and not as the noise of its last digit. */
const LEAST_REACH = { mm: 0.02, in: 0.001 } as const
