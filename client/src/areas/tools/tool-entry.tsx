import type { ReactNode } from 'react'
import type { FieldValues } from 'react-hook-form'
import type { ToolHistory } from '@pine/contract'
import { otherUnit } from '@pine/core/length'
import { PROPERTY_NAMES, TOOL_PROPERTIES } from '@pine/core/shop'
import { useAddTool, useTool } from '@/data/shop/tools'
import { useKeptForm, type KeptForm } from '@/data/device/use-kept-form'
import { FormEnd } from '@/kit/entry/form-end'
import { FormChoice, FormField } from '@/kit/entry/form'
import { Card } from '@/kit/surfaces'
import { correctedTool, newTool, toolDraft, toolOf, type ToolDraft } from './tool-draft'

/** A tool that was never in a set-up. */
export function AddTool({ onDone }: { readonly onDone: (id?: string) => void }) {
  const addTool = useAddTool()
  const form = useKeptForm('tool', newTool, toolOf, async (tool) => onDone(await addTool(tool)))
  return <ToolForm form={form} takes="Keep this tool" onLeave={() => onDone()} />
}

/** A tool as it is from now on: its holder, how far it sticks out, its properties. */
export function CorrectTool({
  tool: { id, tool },
  onDone,
}: {
  readonly tool: ToolHistory
  readonly onDone: () => void
}) {
  const { change } = useTool(id)
  const form = useKeptForm(
    `tool:${id}`,
    toolDraft(tool),
    (draft) => correctedTool(tool, draft),
    async ({ tool: corrected, reason }) => {
      await change(corrected, { reason })
      onDone()
    },
  )
  return (
    <ToolForm form={form} takes="It is this from now on" onLeave={onDone}>
      <FormField
        control={form.control}
        name="reason"
        label="Why"
        note="If it was taken out of its holder, say that as something that happened: lengths fall by that, not by this."
        testID="tool-reason"
      />
    </ToolForm>
  )
}

function ToolForm<Result extends FieldValues>({
  form: { control, watch, setValue, submit, failure },
  takes,
  onLeave,
  children,
}: {
  readonly form: KeptForm<ToolDraft, Result>
  readonly takes: string
  readonly onLeave: () => void
  readonly children?: ReactNode
}) {
  const unit = watch('unit')
  const length = { unit, onUnit: () => setValue('unit', otherUnit(unit)) }
  return (
    <Card padded gap="$3">
      <FormField
        control={control}
        name="name"
        label="What it is"
        hint="10 mm end mill"
        testID="tool-is"
      />
      <FormField
        control={control}
        name="holder"
        label="In which holder"
        hint="collet chuck 3"
        testID="tool-holder"
      />
      <FormChoice
        control={control}
        name="seat"
        label="How the holder sits in the spindle"
        options={[
          { value: 'register-face', label: 'a face against the nose' },
          { value: 'taper', label: 'its taper alone' },
          { value: 'unsaid', label: 'not said' },
        ]}
      />
      <FormField
        {...length}
        control={control}
        name="stickOut"
        label="How far it sticks out"
        testID="tool-stick-out"
      />
      {PROPERTY_NAMES.map((symbol) => {
        const { name, is } = TOOL_PROPERTIES[symbol]
        return (
          <FormField
            key={symbol}
            {...(is === 'length' ? length : { digits: true })}
            control={control}
            name={symbol}
            label={`${name.charAt(0).toUpperCase()}${name.slice(1)}, ${symbol}`}
            testID={`tool-${symbol}`}
          />
        )
      })}
      {children}
      <FormEnd failure={failure} takes={takes} onLeave={onLeave} onTake={submit} />
    </Card>
  )
}
