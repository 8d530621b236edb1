import { format } from 'date-fns/format'
import { useRouter } from 'expo-router'
import { useState } from 'react'
import { v7 as uuid } from 'uuid'
import type { MachineDeclaration } from '@pine/core/sheet'
import { askedFailureWords } from '@/data/server/api'
import { useSession } from '@/data/server/session'
import { beginSetup } from '@/data/setup/begun'
import { lastSetupOn } from '@/data/setup/last-setups'
import { useGauges, useMachines } from '@/data/shop/shop'
import { usePockets, useTool } from '@/data/shop/tools'
import { Button } from '@/kit/button'
import { Choice } from '@/kit/entry/choice'
import { usePress } from '@/kit/entry/use-press'
import { Page } from '@/kit/frame/page'
import { Problem } from '@/kit/problem'
import { WaitingPage } from '@/kit/frame/waiting-page'
import { Words } from '@/kit/words'
import { recheckSheet } from './quick-sheet'

const ALONE = 'alone'

/** A tool is measured again with no job in hand: is it still as long as its row says? */
export function RecheckScreen({ id }: { readonly id: string }) {
  const router = useRouter()
  const by = useSession().person ?? { name: '' }
  const { tool, error } = useTool(id)
  const { machines } = useMachines()
  const { gauges } = useGauges()
  const entry = machines?.find((one) => one.id === tool?.tool.place?.machine)
  const pockets = usePockets(entry?.id)
  const [against, setAgainst] = useState(ALONE)
  const [ids] = useState(() => ({ id: uuid(), sheetFactId: uuid() }))
  const [problem, setProblem] = useState<string>()
  const own = pockets?.find((one) => one.id === id)
  const others = pockets?.filter((one) => one.id !== id) ?? []
  const begin = usePress(async () => {
    if (entry === undefined) return
    if (own === undefined)
      return setProblem('It is in no pocket of a machine: say first where it is.')
    const reference = others.find((one) => one.id === against)
    const sheet = recheckSheet(
      {
        machineId: entry.id,
        machine: entry.machine as MachineDeclaration,
        gauges: gauges ?? [],
        last: await lastSetupOn(entry.id),
        name: `T${own.pocket} again ${format(new Date(), 'd MMM, HH:mm')}`,
      },
      [...(reference ? [reference] : []), own],
    )
    if (sheet === undefined)
      return setProblem(
        'The control of this machine keeps no lengths: there is none to measure again.',
      )
    await beginSetup({ ...ids, sheet }, by)
    router.replace({ pathname: '/setups/[id]', params: { id: ids.id } })
  })
  const back = (
    <Button
      kind="plain"
      onPress={() => router.replace({ pathname: '/tools/[id]', params: { id } })}
    >
      The tool
    </Button>
  )
  if (tool === undefined || entry === undefined || pockets === undefined)
    return (
      <WaitingPage
        title="Measure it again"
        waits="The tool and its machine are on their way."
        failure={error === undefined ? undefined : askedFailureWords(error)}
        foot={back}
      />
    )
  return (
    <Page
      title={`Measure ${tool.tool.name} again`}
      foot={
        <>
          {back}
          <Button grow kind="act" onPress={begin.press} testID="recheck-begin">
            {begin.isBusy ? 'Opening …' : 'Measure it'}
          </Button>
        </>
      }
    >
      <Words as="lead">
        {`In ${entry.machine.name}. It is touched, its row is read, and you keep or correct the number.`}
      </Words>
      <Choice
        label="Against a tool that you trust? It is touched first. If both are off by as much, the plane or the machine’s zero moved."
        value={against}
        onChange={setAgainst}
        options={[
          { value: ALONE, label: 'none' },
          ...others.map((one) => ({ value: one.id, label: `T${one.pocket} ${one.tool.name}` })),
        ]}
      />
      <Problem words={problem ?? begin.failure} />
    </Page>
  )
}
