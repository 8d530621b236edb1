import { View } from '@tamagui/core'
import { Button } from '@/kit/button'
import { Field } from '@/kit/field'
import { LengthEntry } from './length-entry'
import type { SheetPageProps } from './sheet-page-props'

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
      <HoldingEntry draft={draft} change={change} problem={problem} />
    </>
  )
}

/** Jaws and parallels, where the part is held in a vise: the grip follows from them. */
function HoldingEntry({ draft, change, problem }: SheetPageProps) {
  const { holding, ...rest } = draft
  const blank = { text: '', unit: draft.unit }
  if (holding === undefined)
    return (
      <Button
        kind="plain"
        onPress={() => change({ ...draft, holding: { jaw: blank, parallels: blank } })}
      >
        Held in a vise: jaws and parallels …
      </Button>
    )
  const { sideCut, ...held } = holding
  return (
    <View gap="$3">
      <LengthEntry
        label="Height of the jaws"
        value={holding.jaw}
        onChange={(jaw) => change({ ...draft, holding: { ...holding, jaw } })}
        problem={problem('holding.jaw')}
        testID="jaw"
      />
      <LengthEntry
        label="Height of the parallels"
        value={holding.parallels}
        onChange={(parallels) => change({ ...draft, holding: { ...holding, parallels } })}
        problem={problem('holding.parallels')}
        testID="parallels"
      />
      <LengthEntry
        label="Deepest cut along a side (empty: none)"
        value={sideCut ?? blank}
        onChange={(next) =>
          change({ ...draft, holding: next.text === '' ? held : { ...held, sideCut: next } })
        }
        problem={problem('holding.sideCut')}
        testID="side-cut"
      />
      <Button kind="plain" onPress={() => change(rest)}>
        Not held in a vise
      </Button>
    </View>
  )
}
