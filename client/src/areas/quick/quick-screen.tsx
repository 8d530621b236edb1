import { format } from 'date-fns/format'
import { useRouter } from 'expo-router'
import { useState } from 'react'
import { v7 as uuid } from 'uuid'
import type { MachineDeclaration } from '@pine/core/sheet'
import { useSession } from '@/data/server/session'
import { beginSetup } from '@/data/setup/begun'
import { lastSetupOn, useLastSetups } from '@/data/setup/last-setups'
import { useGauges, useMachines } from '@/data/shop/shop'
import { Allowed } from '@/areas/people/allowed'
import { AddMachine } from '@/areas/shop/machine/add-machine'
import { Button } from '@/kit/button'
import { Choice } from '@/kit/entry/choice'
import { Message } from '@/kit/message'
import { ReadingField } from '@/kit/entry/reading-field'
import { usePress } from '@/kit/entry/use-press'
import { Words } from '@/kit/words'
import { EntryFrame } from '@/areas/run/frame/entry/entry-frame'
import { RunBar } from '@/areas/run/frame/run-bar'
import { View } from '@tamagui/core'
import { quickSheet } from './quick-sheet'
import { useToolNumber } from './use-tool-number'

/** A number before the paper: which machine, which tool, and the first touch is next. */
export function QuickScreen() {
  const router = useRouter()
  const by = useSession().person ?? { name: '' }
  const { machines } = useMachines()
  const { gauges } = useGauges()
  const lastSetups = useLastSetups(machines)
  const [pressed, setPressed] = useState<string>()
  const [ids] = useState(() => ({ id: uuid(), sheetFactId: uuid() }))
  const [problem, setProblem] = useState<string>()
  const number = useToolNumber(1)
  const [adding, setAdding] = useState(false)
  const chosen = pressed ?? (machines?.length === 1 ? machines[0]?.id : undefined)
  const begin = usePress(async () => {
    const entry = machines?.find(({ id }) => id === chosen)
    if (entry === undefined) return setProblem('Choose the machine.')
    if (number.value === undefined) return setProblem('A tool has a whole number, such as 3.')
    const sheet = quickSheet({
      machineId: entry.id,
      machine: entry.machine as MachineDeclaration,
      gauges: gauges ?? [],
      // Who is quicker than the network waits for it: another school would be another number.
      last: lastSetups[entry.id] ?? (await lastSetupOn(entry.id)),
      tool: number.value,
      name: `Measured ${format(new Date(), 'd MMM, HH:mm')}`,
    })
    if (sheet === undefined)
      return setProblem('What the last set-up on it used does not fit: begin with “New set-up”.')
    await beginSetup({ ...ids, sheet }, by)
    router.replace({ pathname: '/setups/[id]', params: { id: ids.id } })
  })
  if (machines === undefined) return <Message text="Opening …" tone="soft" />
  return (
    <View flex={1} height="100%" backgroundColor="$paper">
      <RunBar name="Just measure" machine="" onMenu={undefined} onChanged={undefined} />
      <View flex={1} minHeight={0} role="main">
        <EntryFrame
          {...number.keys}
          onNext={begin.press}
          next={begin.isBusy ? 'Opening …' : 'Measure it'}
          problem={problem ?? begin.failure}
          numbers={
            <ReadingField
              label="Tool number"
              value={number.text}
              unit=""
              placeholder="1"
              onChange={number.change}
              onSubmit={begin.press}
            />
          }
        >
          <Words as="sentence" role="heading" aria-level={1}>
            Which machine, which tool?
          </Words>
          <Choice
            label="Machine"
            value={chosen}
            onChange={(id) => {
              setProblem(undefined)
              setPressed(id)
            }}
            options={machines.map(({ id, machine }) => ({ value: id, label: machine.name }))}
          />
          {adding ? (
            <AddMachine
              onDone={(id) => {
                setAdding(false)
                setProblem(undefined)
                if (id !== undefined) setPressed(id)
              }}
            />
          ) : (
            <Allowed to="declare">
              <Button onPress={() => setAdding(true)}>Add a machine</Button>
            </Allowed>
          )}
          <Words as="note">
            No stock and no job: a part, a program and a second fixture can join later, and nothing
            is typed again.
          </Words>
        </EntryFrame>
      </View>
    </View>
  )
}
