import { STAYS_PUT, type StaysPut } from '@pine/core/sheet'
import { FACES } from '@pine/core/touch'
import { View } from '@tamagui/core'
import { Button } from '@/kit/button'
import { Choice } from '@/kit/entry/choice'
import { Field } from '@/kit/entry/field'
import { Column, Row } from '@/kit/surfaces'
import { withAgainst } from './zero/holding-draft'
import { LengthEntry } from './tools/length-entry'
import { OffsetsEntry } from './zero/offsets-entry'
import type { SheetPageProps } from './sheet-page-props'
import { withStock, withZeroWords } from './zero/zero-draft'

const AXES = [
  { axis: 'X', label: 'Stock in X' },
  { axis: 'Y', label: 'in Y' },
  { axis: 'Z', label: 'in Z' },
] as const

/** The stock, where the drawing has its zero on it, how that is found, and how the part is held. */
export function PartPage({ draft, change, problem }: SheetPageProps) {
  const next = (changed: typeof draft) => change(withZeroWords(draft, changed))
  return (
    <>
      <Row gap="$2" alignItems="flex-start" flexWrap="wrap">
        {AXES.map(({ axis, label }) => (
          <Column key={axis} minWidth={110} flex={1} gap={0}>
            <LengthEntry
              label={label}
              value={draft.stock[axis]}
              onChange={(length) => next(withStock(draft, axis, length))}
              problem={problem(`stock.${axis}`)}
              testID={`stock-${axis}`}
            />
          </Column>
        ))}
      </Row>
      <OffsetsEntry draft={draft} change={next} problem={problem} />
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

const AGAINST: Readonly<Record<StaysPut, string>> = {
  jaw: 'Against the fixed jaw lies …',
  stop: 'Against the stop lies …',
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
      <Choice
        label="The setting plane is …"
        value={holding.plane ?? 'other'}
        onChange={(plane) => {
          const { plane: _before, ...others } = holding
          change({ ...draft, holding: plane === 'jaws' ? { ...others, plane } : others })
        }}
        options={[
          { value: 'jaws', label: 'the top of these jaws' },
          { value: 'other', label: 'something else' },
        ]}
        note="On the jaws, the stock top is expected so far from it as parallels and stock say."
      />
      {STAYS_PUT.map((one) => (
        <Choice
          key={one}
          label={AGAINST[one]}
          value={holding.against?.[one] ?? 'none'}
          onChange={(face) =>
            change({
              ...draft,
              holding: withAgainst(holding, one, face === 'none' ? undefined : face),
            })
          }
          options={[
            { value: 'none', label: 'not said' },
            ...FACES.map((face) => ({ value: face, label: `its ${face} face` })),
          ]}
          {...(one === 'stop' && {
            note: 'Both stay on the machine: the next part, of this job or another, is expected where this one stood.',
          })}
        />
      ))}
      <Button kind="plain" onPress={() => change(rest)}>
        Not held in a vise
      </Button>
    </View>
  )
}
