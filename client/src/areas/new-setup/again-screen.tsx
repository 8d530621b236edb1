import { useRouter } from 'expo-router'
import { useState } from 'react'
import { programAgain, sheetAgain } from '@pine/core/running'
import { shopMachineOf, type MachineDeclaration, type SetupSheet } from '@pine/core/sheet'
import { v7 as uuid } from 'uuid'
import { OpenedSetup } from '@/areas/run/frame/opened-setup'
import { beginSetup } from '@/data/setup/begun'
import { enterFact } from '@/data/setup/one-setup'
import { useSession } from '@/data/server/session'
import { useGauges, useMachines } from '@/data/shop/shop'
import type { LoadedSetup } from '@/data/setup/standing'
import { Message } from '@/kit/message'
import { draftOf } from './sheet-draft'
import { SheetPages } from './sheet-pages'

/** The same job again: its sheet, with the shop as it is today and with what its tools measured. */
export function AgainScreen({ id }: { id: string }) {
  return <OpenedSetup id={id}>{(setup) => <Again id={id} setup={setup} />}</OpenedSetup>
}

function Again({ id, setup }: { id: string; setup: LoadedSetup }) {
  const router = useRouter()
  const by = useSession().person ?? { name: '' }
  const { all: machines, error: noMachines } = useMachines()
  const { gauges, error: noGauges } = useGauges()
  const [ids] = useState(() => ({ id: uuid(), sheetFactId: uuid() }))
  // Without a network the shop is as it was when that sheet was written.
  if ((machines === undefined && !noMachines) || (gauges === undefined && !noGauges))
    return <Message text="Opening the sheet …" tone="soft" />
  const written = setup.sheetAsWritten
  const program = programAgain(setup.document)
  const machine = shopMachineOf(machines ?? [], written)?.machine as MachineDeclaration | undefined
  const sheet: SetupSheet = sheetAgain({ ...setup.document, sheet: written }, setup.solution, {
    machine,
    gauges: gauges ?? [],
  })
  return (
    <SheetPages
      draftKey={`again:${id}`}
      initial={draftOf(sheet)}
      finish="Start measuring"
      onFinish={async (finished) => {
        await beginSetup({ ...ids, sheet: finished }, by)
        // What ran with it runs again: it is looked over, and held against the file at the machine, before anything is released.
        if (program !== undefined)
          await enterFact(ids.id, { kind: 'program', body: program }, by, 1)
        router.replace({ pathname: '/setups/[id]', params: { id: ids.id } })
      }}
    />
  )
}
