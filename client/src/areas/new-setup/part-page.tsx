import { View } from 'tamagui'
import { Field } from '@/kit/field'
import { LengthEntry } from './length-entry'
import type { SheetPageProps } from './sheet-pages'

const AXES = [
  { axis: 'X', label: 'Width in X' },
  { axis: 'Y', label: 'Depth in Y' },
  { axis: 'Z', label: 'Height in Z' },
] as const

export function PartPage({ draft, change, problem }: SheetPageProps) {
  return (
    <>
      <View gap="$3">
        {AXES.map(({ axis, label }) => (
          <LengthEntry
            key={axis}
            label={label}
            value={draft.stock[axis]}
            onChange={(length) => change({ ...draft, stock: { ...draft.stock, [axis]: length } })}
            problem={problem(`stock.${axis}`)}
            testID={`stock-${axis}`}
          />
        ))}
      </View>
      <Field
        label="Where the drawing and the program have X0 Y0 Z0, in words"
        value={draft.zero}
        onChange={(zero) => change({ ...draft, zero })}
        hint="left front corner, finished top"
        testID="zero"
      />
    </>
  )
}
