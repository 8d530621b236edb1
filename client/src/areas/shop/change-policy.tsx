import type { MachineDeclaration } from '@pine/core/sheet'
import { useMachines } from '@/data/shop/shop'
import { useKeptForm } from '@/data/device/use-kept-form'
import { FormEnd } from '@/kit/entry/form-end'
import { FormChoice, FormField, onlyDigits } from '@/kit/entry/form'
import { Column } from '@/kit/surfaces'
import { changedPolicy, policyDraft, PROVES_NOTE, PROVES_OPTIONS } from './policy-draft'

/** What the shop asks of a machine's set-ups from now on: of those that are open, too. */
export function ChangePolicy({
  id,
  machine,
  onDone,
}: {
  readonly id: string
  readonly machine: MachineDeclaration
  readonly onDone: () => void
}) {
  const { change } = useMachines()
  const { control, submit, failure } = useKeptForm(
    `policy:${id}`,
    policyDraft(machine),
    (draft) => changedPolicy(machine, draft),
    async ({ machine: changed, reason }) => {
      await change(id, changed, { reason })
      onDone()
    },
  )
  return (
    <Column gap="$3">
      <FormChoice
        control={control}
        name="secondLook"
        label="Before a part is cut …"
        options={[
          { value: 'no', label: 'one person may release' },
          { value: 'yes', label: 'another person looks first' },
        ]}
        note="One who read or keyed no number of that set-up."
      />
      <FormChoice
        control={control}
        name="proves"
        label="A cautious move over a block proves …"
        options={PROVES_OPTIONS}
        note={PROVES_NOTE}
      />
      <FormField
        control={control}
        name="days"
        digits
        clean={onlyDigits}
        label="Readings hold for … days"
        note="Left empty, they never grow too old."
        testID="policy-days"
      />
      <FormField
        control={control}
        name="grip"
        label="Jaws hold at least … mm"
        note="Less asks for a reason. Inches with their unit: 0.1in. Left empty, 2 mm."
        testID="policy-grip"
      />
      <FormField
        control={control}
        name="checks"
        digits
        clean={onlyDigits}
        label="Reused lengths touched again as a check"
        note="The longest and those touched longest ago; all stand or fall with them. Left empty, two."
        testID="policy-checks"
      />
      <FormField
        control={control}
        name="reason"
        label="Why"
        note="Needed where less is asked than before. It stays, with your name."
        testID="policy-reason"
      />
      <FormEnd failure={failure} takes="Ask this" onLeave={onDone} onTake={submit} />
    </Column>
  )
}
