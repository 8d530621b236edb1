import { AXES } from '../../address/row'
import { formatLength } from '../../length/format-length'
import { isTooLongForSetter, longestForSetter, roughLengthOf } from '../../sheet/fixed-setter'
import type { SetupSheet } from '../../sheet/sheet'
import type { FixedSetter, MachineDeclaration } from '../../sheet/machine'
import { lengthWords } from '../typographic'

type Sheet = Pick<SetupSheet, 'machine' | 'tools' | 'gauges' | 'unit'>

/** What is seen to before the control's own cycle touches the first tool to a fixed setter. */
export function setterPoints({ machine, gauges, unit }: Sheet): readonly string[] {
  if (!gauges.some(({ kind }) => kind === 'fixed-setter')) return []
  const { fixedSetter: setter } = machine
  return [
    ...(setter === undefined
      ? []
      : [
          `Soft limits on, home found: only then is the setter at X ${lengthWords(setter.X)}, Y ${lengthWords(setter.Y)}. Its cycle lowers from Z ${lengthWords(setter.from)}: ${clears(setter, unit)}.`,
        ]),
    'The first tool touched on the setter after homing is the reference; change tools only through the control from here on.',
  ]
}

/** Where the machine stands while a tool is changed; undefined where it does not say. */
export function toolChangeWords({ toolChange = {} }: MachineDeclaration): string | undefined {
  const stands = AXES.flatMap((axis) => {
    const at = toolChange[axis]
    return at === undefined ? [] : [`${axis} ${lengthWords(at)}`]
  })
  return stands.length === 0
    ? undefined
    : `Tools are changed at ${stands.join(', ')}, machine position.`
}

/** What is bolted to a machine and where it stands, as it was declared: a title and its lines each. */
export function describePlaces(
  machine: MachineDeclaration,
): readonly (readonly [name: string, says: string])[] {
  const { fixedSetter: setter, quill } = machine
  const change = toolChangeWords(machine)
  return [
    ...(setter === undefined
      ? []
      : [
          [
            'Fixed setter',
            `at X ${lengthWords(setter.X)}, Y ${lengthWords(setter.Y)}; its cycle lowers from Z ${lengthWords(setter.from)}: ${clears(setter, setter.from.unit)}.`,
          ] as const,
        ]),
    ...(change === undefined ? [] : [['Tool change', change] as const]),
    ...(quill === undefined
      ? []
      : [
          [
            'Quill',
            `out by up to ${lengthWords(quill.travel)}${quill.uncertainty === undefined ? '' : `, its scale read to ±${lengthWords(quill.uncertainty)} (one standard deviation)`}.`,
          ] as const,
        ]),
  ]
}

/** Whether this tool clears the setter where the cycle begins, in words; undefined where nothing is declared of it. */
export function setterRoom(
  sheet: SetupSheet,
  number: number,
): { readonly words: string; readonly isTooLong: boolean } | undefined {
  const { fixedSetter: setter } = sheet.machine
  if (setter === undefined) return undefined
  const tool = sheet.tools.find((one) => one.number === number)
  const known = tool && roughLengthOf(tool)
  const isTooLong = isTooLongForSetter(sheet, number)
  const room = clears(setter, sheet.unit)
  const about = known === undefined ? '' : `, T${number} is about ${lengthWords(known.written)}`
  return {
    isTooLong,
    words: isTooLong
      ? `Do not start the cycle: ${room}${about}. Touch it with another gauge, or let the cycle begin higher.`
      : known === undefined
        ? `From Z ${lengthWords(setter.from)} ${room}. Nothing tells how long T${number} is: hold a rule to it first.`
        : `From Z ${lengthWords(setter.from)} ${room}${about}.`,
  }
}

function clears(setter: FixedSetter, unit: SetupSheet['unit']): string {
  const longest = longestForSetter(setter)
  const text = longest === undefined ? '?' : formatLength(longest, unit, unit === 'mm' ? 1 : 2)
  return `tools up to ${text} ${unit} clear it by ${lengthWords(setter.margin)}`
}
