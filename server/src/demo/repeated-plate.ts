import type { DemoSetup } from './demo-setup'
import { GAUGES, MIRROR_CELL, mm } from './workshop'

/** Days ago, the tip of its tool on the block, its left face, and what its part measured: the tool wears. */
export const PLATES = [
  [30, { tip: '-18.240', left: '37.085', pocket: '5.985', wall: '119.96' }],
  [16, { tip: '-18.228', left: '37.120', pocket: '6.005', wall: '119.98' }],
  [2.2, { tip: '-18.205', left: '37.150', pocket: '6.02', wall: '120.01' }],
] as const

/**
 * The plate on the router, set, proven, measured and released.
 *
 * @param repeats the set-up before it.
 */
export async function recordedPlate(
  setup: DemoSetup,
  { tip, left, pocket, wall }: (typeof PLATES)[number][1],
  repeats: string | undefined,
): Promise<void> {
  await setup.begin({ ...MIRROR_CELL, ...(repeats !== undefined && { repeats }) })
  await setup.program('mirror-cell-plate.ngc')
  await setup.ready()
  await setup.see({ of: 'holding' })
  await setup.read('-61.420', 'mm', { of: 'nose-on-plane', with: [GAUGES.block.id] })
  await setup.read(tip, 'mm', { of: 'tip-on-plane', tool: 1, with: [GAUGES.block.id] })
  await setup.read(left, 'mm', { of: 'face', row: 'G54', face: 'left', with: [GAUGES.pin.id] })
  await setup.read('22.480', 'mm', { of: 'face', row: 'G54', face: 'front', with: [GAUGES.pin.id] })
  await setup.read('-68.270', 'mm', {
    of: 'nose-on-part',
    row: 'G54',
    with: [GAUGES.paper.id],
    spindle: { holds: null, controlSays: null },
  })
  for (const address of ['H1', 'G54.X', 'G54.Y', 'G54.Z'] as const) await setup.keyIn(address)
  await setup.provenAndSeen()
  await setup.see({
    of: 'first-part',
    measured: [
      {
        ...{ feature: 'floor-depth', name: 'cell pocket', tool: 1, nominal: mm('6.00') },
        ...{ measured: mm(pocket), tolerance: { upper: mm('0.05') }, instrument: CALLIPER },
      },
      {
        ...{ feature: 'outside-width', name: 'plate along X', tool: 1, nominal: mm('120.00') },
        ...{ measured: mm(wall), tolerance: { upper: mm('0.10') }, instrument: CALLIPER },
      },
    ],
  })
  await setup.record()
}

/** With which the plate is measured, its depths and its widths. */
const CALLIPER = {
  name: 'calliper with a depth rod',
  repeatability: mm('0.010'),
  uncertainty: mm('0.010'),
}
