import { mutate } from 'swr'
import type { GaugeHistory } from '@pine/contract'

/** What the server answered to a check is shown at once; what follows from it is asked for anew. */
export async function showChecks(gaugeId: string, history: GaugeHistory): Promise<void> {
  await mutate(checksKey(gaugeId), history, { revalidate: false })
  void mutate(`${checksKey(gaugeId)}:suspect`)
  void mutate('gauge-standings')
}

/** Under which the checks of a gauge are kept on this device. */
export const checksKey = (gaugeId: string): string => `gauge-checks:${gaugeId}`
