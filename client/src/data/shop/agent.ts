import { machineReportSchema, type MachineReport } from '@pine/contract'
import { shopMachineOf, type SetupSheet } from '@pine/core/sheet'
import { api, ask } from '../server/api'
import { useMachines } from './shop'

/** The machine of a sheet, where it tells of itself over the network: its id. */
export function useReportingMachine(
  sheet: Pick<SetupSheet, 'machineId' | 'machine'>,
): string | undefined {
  const { all = [] } = useMachines()
  const machine = shopMachineOf(all, sheet)
  const entry = all.find(({ id }) => id === machine?.id)
  return entry?.agent === undefined ? undefined : entry.id
}

/** What a machine says of itself at this moment. */
export const askMachine = (id: string): Promise<MachineReport> =>
  ask(api.machines[':id'].agent.$get({ param: { id } }), machineReportSchema)
