import { useEffect, useRef, useState } from 'react'
import { habitsOf } from '@pine/core/running'
import type { SetupDocument } from '@pine/core/facts'
import { shopMachineOf, type Gauge } from '@pine/core/sheet'
import { solve } from '@pine/core/solve'
import { lengthWords, schoolWords } from '@pine/core/words'
import { Allowed } from '@/areas/people/allowed'
import { AddMachine } from '@/areas/shop/machine/add-machine'
import { useLastSetups } from '@/data/setup/last-setups'
import { useGauges, useMachines } from '@/data/shop/shop'
import { Button } from '@/kit/button'
import { Choice } from '@/kit/entry/choice'
import { Field } from '@/kit/entry/field'
import { Words } from '@/kit/words'
import { Folded } from './folded'
import { takesHabits, withHabits } from './habits-draft'
import { LengthsEntry } from './tools/lengths-entry'
import { keepsLengths, withMachine, withUnit } from './sheet-draft'
import type { SheetPageProps } from './sheet-page-props'
import { SameTools } from './tools/same-tools'
import { TappedTools } from './tools/tapped-tools'
import { ToolsEntry } from './tools/tools-entry'

/** The job, its machine, and what that is set up with: what its last set-up used, until somebody says otherwise. */
export function JobPage({ draft, change, problem }: SheetPageProps) {
  const { machines } = useMachines()
  const { gauges } = useGauges()
  const lastSetups = useLastSetups(machines)
  const [adding, setAdding] = useState(false)
  const [likeLast, setLikeLast] = useState<string>()
  const chosen = shopMachineOf(machines ?? [], draft)?.id
  // Who presses a machine before its last set-up has come gets what it used as soon as it is here.
  const [pressed, setPressed] = useState<string>()
  const late = pressed === undefined ? undefined : lastSetups[pressed]
  const brought = late?.sheet.name ?? likeLast
  const pick = (id: string) => {
    const entry = machines?.find((one) => one.id === id)
    if (entry === undefined) return
    const on = withMachine(draft, id, entry.machine)
    const last = lastSetups[id]
    setPressed(last === undefined ? id : undefined)
    // Whatever a person chose stays; what another machine brought gives way.
    if (last === undefined || !(takesHabits(draft) || brought !== undefined)) return change(on)
    setLikeLast(last.sheet.name)
    change(likeIt(on, last, gauges))
  }
  const taken = useRef<string>(undefined)
  useEffect(() => {
    if (late === undefined || taken.current === pressed || !takesHabits(draft)) return
    taken.current = pressed
    change(likeIt(draft, late, gauges))
  })
  return (
    <>
      <Field
        label="The job"
        value={draft.name}
        onChange={(name) => change({ ...draft, name })}
        problem={problem('name') && 'Give the job a name that you will find again.'}
        hint="focuser body, first side"
        testID="job-name"
      />
      <Choice
        label="Machine"
        value={chosen}
        onChange={pick}
        options={(machines ?? []).map(({ id, machine }) => ({ value: id, label: machine.name }))}
      />
      {problem('machine') !== undefined && (
        <Words as="note" tone="wrong" role="alert">
          Choose the machine.
        </Words>
      )}
      {adding ? (
        <AddMachine onDone={() => setAdding(false)} />
      ) : (
        <Allowed to="declare" otherwise="A machine that is not here yet is added by a lead.">
          <Button onPress={() => setAdding(true)}>Add a machine</Button>
        </Allowed>
      )}
      <LengthsPart
        draft={draft}
        change={change}
        problem={problem}
        like={takesHabits(draft) ? undefined : brought}
      />
      <TappedTools draft={draft} change={change} />
      <SameTools draft={draft} change={change} />
      <ToolsPart draft={draft} change={change} problem={problem} />
    </>
  )
}

/** A draft with what the last set-up on its machine used. */
const likeIt = (
  draft: SheetPageProps['draft'],
  last: SetupDocument,
  gauges: readonly Gauge[] | undefined,
) => withHabits(draft, habitsOf(last, solve(last), { gauges: gauges ?? [] }))

/** What lengths are counted from and measured with, and in which unit. */
function LengthsPart({
  draft,
  change,
  problem,
  like,
}: SheetPageProps & {
  /** The job whose set-up brought it. */
  readonly like: string | undefined
}) {
  const [opened, setOpened] = useState(false)
  const { gauges, holding } = draft
  const isWrong = ['plane', 'school', 'reference', 'gauges'].some(
    (place) => problem(place) !== undefined,
  )
  return (
    <Folded
      title="How lengths are measured"
      lines={[
        ...(like === undefined ? [] : [`As in “${like}”, the last set-up on it:`]),
        `${schoolWords(draft)}, in ${draft.unit === 'mm' ? 'millimetres' : 'inches'}`,
        gauges.map(({ name }) => name).join(', '),
        ...(holding
          ? [`vise: jaws ${lengthWords(holding.jaw)}, parallels ${lengthWords(holding.parallels)}`]
          : []),
      ]}
      open={opened || isWrong || gauges.length === 0}
      onOpen={() => setOpened(true)}
      testID="change-lengths"
    >
      <Choice
        label="Unit of the set-up and of the control"
        value={draft.unit}
        onChange={(unit) => change(withUnit(draft, unit))}
        options={[
          { value: 'mm', label: 'millimetres' },
          { value: 'in', label: 'inches' },
        ]}
        note="A single reading may still be typed in the other unit."
      />
      <LengthsEntry
        draft={draft}
        change={(next) => {
          setOpened(true)
          change(next)
        }}
        problem={problem}
      />
    </Folded>
  )
}

/** The tools: listed where a program or an earlier set-up named them. */
function ToolsPart({ draft, change, problem }: SheetPageProps) {
  const { tools } = draft
  const named = tools.every(({ name }) => name.trim() !== '')
  const [opened, setOpened] = useState(!named)
  const isWrong = tools.some((_, index) =>
    ['number', 'lengthRegister', 'diameterRegister', 'length', 'lastLength', 'rough'].some(
      (field) => problem(`tools.${index}.${field}`) !== undefined,
    ),
  )
  return (
    <Folded
      title={tools.length === 1 ? 'One tool' : `${tools.length} tools`}
      lines={tools.map(({ number, name, lengthRegister }) =>
        keepsLengths(draft) ? `T${number} · H${lengthRegister} · ${name}` : `T${number} · ${name}`,
      )}
      open={opened || isWrong}
      onOpen={() => setOpened(true)}
      testID="change-tools"
    >
      <ToolsEntry draft={draft} change={change} problem={problem} />
    </Folded>
  )
}
