import { useState } from 'react'
import type { Enter } from '@/data/outbox/fact-draft'
import type { LoadedSetup } from '@/data/setup/standing'
import { Button } from '@/kit/button'
import { Caution } from '@/kit/caution'
import { Field } from '@/kit/entry/field'
import { Column } from '@/kit/surfaces'
import { Words } from '@/kit/words'
import { rowsStandFacts, rowsThatMayStand, type RowsStandAnswers } from './rows-stand-view'

/** Rows that somebody set before: looked at on the control, and not touched again. */
export function RowsStand({
  setup,
  enter,
  onClose,
}: {
  readonly setup: LoadedSetup
  readonly enter: Enter
  readonly onClose: () => void
}) {
  const [answers, setAnswers] = useState<RowsStandAnswers>({ texts: {}, whose: '' })
  const [submitted, setSubmitted] = useState(false)
  const { facts, problems } = rowsStandFacts(setup, answers)
  const rows = rowsThatMayStand(setup)
  const take = () => {
    if (facts.length === 0 || Object.keys(problems).length > 0) return setSubmitted(true)
    for (const fact of facts) void enter(fact)
    onClose()
  }
  return (
    <Column gap="$3">
      <Words as="title">Which rows stand as they are?</Words>
      <Caution>
        Only if nothing was moved since they were set: part, vise, home, tool. They are proven like
        the others.
      </Caution>
      {rows.length === 0 && <Words>Every row is read or keyed here.</Words>}
      {rows.map(({ address, name }) => (
        <Field
          key={address}
          label={`${name} shows`}
          value={answers.texts[address] ?? ''}
          unit={setup.document.sheet.unit}
          onChange={(text) =>
            setAnswers({ ...answers, texts: { ...answers.texts, [address]: text } })
          }
          problem={submitted ? problems[address] : undefined}
          testID={`stands-${address}`}
        />
      ))}
      <Field
        label="Who set them, if you know"
        value={answers.whose}
        onChange={(whose) => setAnswers({ ...answers, whose })}
        testID="stands-whose"
      />
      {submitted && facts.length === 0 && (
        <Words as="note" tone="wrong" role="alert">
          Type what at least one row shows on the control.
        </Words>
      )}
      <Button kind="act" onPress={take} testID="stands-taken">
        They stand
      </Button>
    </Column>
  )
}
