import { programAgain, sheetAgain } from '@pine/core/running'
import { shopMachineOf, type MachineDeclaration, type SetupSheet } from '@pine/core/sheet'
import { OpenedSetup } from '@/areas/run/frame/opened-setup'
import { useGauges, useMachines } from '@/data/shop/shop'
import type { LoadedSetup } from '@/data/setup/standing'
import { Message } from '@/kit/message'
import { draftOf } from './sheet-draft'
import { SheetPages } from './sheet-pages'
import { useBegin } from './use-begin'

/** The same job again: its sheet, with the shop as it is today and with what its tools measured. */
export function AgainScreen({ id }: { id: string }) {
  return <OpenedSetup id={id}>{(setup) => <Again id={id} setup={setup} />}</OpenedSetup>
}

function Again({ id, setup }: { id: string; setup: LoadedSetup }) {
  const { all: machines, error: noMachines } = useMachines()
  const { gauges, error: noGauges } = useGauges()
  const begin = useBegin(programAgain(setup.document))
  // Without a network the shop is as it was when that sheet was written.
  if ((machines === undefined && !noMachines) || (gauges === undefined && !noGauges))
    return <Message text="Opening the sheet …" tone="soft" />
  const written = setup.sheetAsWritten
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
      onFinish={begin}
    />
  )
}
