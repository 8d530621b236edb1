import { useState } from 'react'
import { useSetups } from '@/data/setup/setups'
import { useMachineHappened, usePockets } from '@/data/shop/tools'
import { Field } from '@/kit/entry/field'
import { HappenedForm } from '@/kit/entry/happened-form'
import { staleByMachine } from './stale-by-machine'

const HAPPENED = [
  { value: 'plane-moved', label: 'the setting plane or its setter was moved' },
  { value: 'home-lost', label: 'it lost its home position' },
] as const

/** Something happened to a machine between two set-ups. */
export function MachineHappened({
  id,
  name,
  onDone,
}: {
  readonly id: string
  readonly name: string
  readonly onDone: () => void
}) {
  const open = useSetups({ machine: id, standing: 'open' })
  const pockets = usePockets(id)
  const [plane, setPlane] = useState('')
  const place = plane.trim()
  const enter = useMachineHappened(id)
  return (
    <HappenedForm
      question={`What happened to ${name}?`}
      options={HAPPENED}
      more={(what) =>
        what === 'plane-moved' && (
          <Field
            label="Which plane, as the set-ups call it (empty: all of them)"
            value={plane}
            onChange={setPlane}
            hint="fixed jaw of vise 1"
            testID="plane"
          />
        )
      }
      {...staleByMachine(open, pockets?.length ?? 0)}
      onSay={(what, note) =>
        enter({
          what,
          note,
          ...(what === 'plane-moved' && place !== '' && { plane: place }),
        })
      }
      onDone={onDone}
    />
  )
}
