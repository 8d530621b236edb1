import type { FieldPath } from 'react-hook-form'
import { AXES } from '@pine/core/address'
import { REVERSAL_STEPS } from '@pine/core/words'
import { useMachineHistory } from '@/data/shop/machine-history'
import { useKeptForm } from '@/data/device/use-kept-form'
import { Caution } from '@/kit/caution'
import { FormEnd } from '@/kit/entry/form-end'
import { FormChoice, FormField } from '@/kit/entry/form'
import { Card, Column, Row } from '@/kit/surfaces'
import { Words } from '@/kit/words'
import { newReversal, reversalOf, foundSoFar, turnedUnit, type ReversalDraft } from './machine-view'

const AXIS_OPTIONS = AXES.map((value) => ({ value, label: value }))

/** How much a screw loses on turning round: one place after another, met from both sides. */
export function ReversalEntry({
  id,
  onDone,
}: {
  readonly id: string
  readonly onDone: () => void
}) {
  const { addReversal } = useMachineHistory(id)
  const { control, watch, setValue, submit, failure } = useKeptForm(
    `reversal:${id}`,
    newReversal,
    reversalOf,
    async (test) => {
      await addReversal(test)
      onDone()
    },
  )
  const draft = watch() as ReversalDraft
  const found = foundSoFar(draft)
  return (
    <Card padded gap="$3" testID="reversal">
      <FormChoice control={control} name="axis" label="Which axis?" options={AXIS_OPTIONS} />
      <Column gap="$1" role="list" aria-label="how it is done">
        {REVERSAL_STEPS.map((step, index) => (
          <Words key={step} role="listitem">
            {index + 1}. {step}
          </Words>
        ))}
      </Column>
      <Caution>
        The spindle stands still: hands and an indicator are beside it. Smallest step near contact.
      </Caution>
      {draft.plus.map((_, index) => (
        <Row key={index} gap="$2" alignItems="flex-start">
          <FormField
            control={control}
            name={`plus.${index}` as FieldPath<ReversalDraft>}
            label={`Place ${index + 1}, towards plus`}
            testID={`plus-${index}`}
            digits
          />
          <FormField
            control={control}
            name={`minus.${index}` as FieldPath<ReversalDraft>}
            label="towards minus"
            unit={draft.unit}
            onUnit={() => setValue('unit', turnedUnit(draft))}
            testID={`minus-${index}`}
            digits
          />
        </Row>
      ))}
      {found !== undefined && (
        <Words
          as="lead"
          strong
          role={found.isWrong ? 'alert' : 'status'}
          tone={found.isWrong ? 'wrong' : 'ink'}
          testID="reversal-told"
        >
          {found.words}
        </Words>
      )}
      <FormEnd failure={failure} takes="Keep this test" onLeave={onDone} onTake={submit} />
    </Card>
  )
}
