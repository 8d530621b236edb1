import type { SetupSheet } from '@pine/core/sheet'

export const mm = (text: string) => ({ text, unit: 'mm' }) as const
const axis = (face: string) => ({ by: 'one-face', face, side: 'outside', drawing: mm('0') })
/** A job by the setting plane, with these tools, each in the register of its number. */
export const sheetOf = (...tools: readonly number[]) =>
  ({
    name: 'Worked example',
    unit: 'mm',
    machine: {
      name: 'Mill 2',
      kind: 'mill',
      control: { decimals: { mm: 3, in: 4 }, lengthKey: 'set', workOffsetKey: 'set' },
    },
    school: 'setting-plane',
    zero: '',
    plane: 'fixed jaw',
    stock: { X: mm('120'), Y: mm('80'), Z: mm('40') },
    gauges: [{ id: 'setter', kind: 'height-setter', name: 'setter', size: mm('50.000') }],
    tools: tools.map((number) => ({ number, name: `tool ${number}`, lengthRegister: number })),
    offsets: [
      {
        row: 'G54',
        X: axis('left'),
        Y: axis('front'),
        Z: { by: 'carried-difference', facing: mm('0') },
      },
    ],
  }) as unknown as SetupSheet
