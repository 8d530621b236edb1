import type { TouchPlanAnswer } from '@pine/contract'
import type { StepState } from '@pine/core/plan'
import { carriedOver, planTouches } from '@pine/core/planner'
import { isToolByTool } from '@pine/core/sheet'
import { describeCarriedOver, describeOffer } from '@pine/core/words'
import { offersByGeneration, type KeptOffer } from '@pine/core/shop'
import type { Clock } from '../../clock'
import type { Store } from '../../store/store'
import type { SetupWork } from '../../work/setup-work'
import { offeredFor } from '../facts/kept'
import type { LoadedSetup } from '../facts/set-up-streams'

/** What is left to touch on the setting plane of a set-up, planned: with what, in which order, how long, and what need not be. */
export async function touchPlanFor(
  store: Store,
  clock: Clock,
  work: SetupWork,
  setup: LoadedSetup,
): Promise<TouchPlanAnswer> {
  const { document, steps, offers, checks, gaps } = await offeredFor(store, clock, work, setup)
  const { sheet } = document
  const kept = spared(offers, checks)
  // One tool at a time they are touched in the order of the program, each when its turn comes.
  const tips = isToolByTool(sheet) ? [] : openTips(steps).filter((tool) => !kept.has(tool))
  const carried = carriedOver(document, tips)
  const open = tips.filter((tool) => carried?.tools.includes(tool) !== true)
  const pockets = sheet.machineId === undefined ? [] : await store.inPockets(sheet.machineId)
  const plan = planTouches(
    document,
    open,
    new Map(
      sheet.tools.flatMap(({ number, assembly }) => {
        const place = pockets.find(({ id }) => id === assembly)?.tool.place
        return place === undefined ? [] : [[number, place.pocket] as const]
      }),
    ),
    gaps,
  )
  const whyOf = (tool: number) => {
    const offer = offers.find((one) => one.tool === tool)
    if (tool === carried?.by) return 'Touch it: it tells by how much the plane moved.'
    return offer === undefined
      ? 'Touch it: nothing is known of it yet.'
      : describeOffer(offer, checks.includes(tool))
  }
  return {
    touches: plan.touches.map(({ ways, ...touch }) => ({
      ...touch,
      ways: ways.map((way) => ({ ...way, with: [...way.with] })),
      check: checks.includes(touch.tool),
      why: whyOf(touch.tool),
    })),
    kept: [
      ...[...kept].map((tool) => ({ tool, why: whyOf(tool) })),
      ...(carried?.tools.map((tool) => ({ tool, why: describeCarriedOver(carried) })) ?? []),
    ],
    times: { ...plan.times },
    minutes: plan.minutes,
    least: plan.least,
  }
}

/** Tools that are taken over; where their plane was moved, all but the one whose touch tells by how much. */
function spared(offers: readonly KeptOffer[], checks: readonly number[]): ReadonlySet<number> {
  const taken = offers.filter(({ take, tool }) => take === 'as-it-was' && !checks.includes(tool))
  // Of each earlier generation of the plane one is touched, and tells by how much it moved since.
  const moved = offersByGeneration(offers)
    .slice(0, -1)
    .flatMap((generation) => generation.slice(1))
  return new Set([...taken, ...moved].map(({ tool }) => tool))
}

/** Tools whose tip is still to be touched on the plane, in the order of the steps. */
const openTips = (steps: readonly StepState[]): readonly number[] =>
  steps.flatMap(({ step, done }) =>
    !done && step.does === 'read' && step.quantity.of === 'tip-on-plane'
      ? [step.quantity.tool]
      : [],
  )
