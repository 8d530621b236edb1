import type { KeptAnswer } from '@pine/contract'
import { underPolicy } from '@pine/core/facts'
import type { StepState } from '@pine/core/plan'
import { quantityKey } from '@pine/core/quantities'
import { standingReadings } from '@pine/core/freshness'
import { isToolByTool } from '@pine/core/sheet'
import {
  checksAmong,
  type KeptOffer,
  keptOffers,
  touchesToKeep,
  touchGaps,
  type TouchGap,
  touchMinutes,
} from '@pine/core/shop'
import { describeOffer, describeTouched } from '@pine/core/words'
import type { Clock } from '../../clock'
import type { Store } from '../../store/store'
import type { SetupWork } from '../../work/setup-work'
import type { LoadedSetup } from './set-up-streams'
import { machinesOf, policyOf } from '../shop'
import { eventsOf, oldestTouch } from '../tools'

/** Of each tool, the last few set-ups that measured it: an older one than those tells nothing that they do not. */
const LATEST_USES = 10
/** How long a touch takes is told by the last set-ups on the machine: hands and gauges change. */
const LOGGED_SETUPS = 30

/** What earlier set-ups tell of the tools of this one, and which readings taking it over would enter. */
export async function keptFor(
  store: Store,
  clock: Clock,
  work: SetupWork,
  setup: LoadedSetup,
): Promise<KeptAnswer> {
  const { offers, checks, unread, gaps } = await offeredFor(store, clock, work, setup)
  const minutes = touchMinutes(gaps)
  return {
    tools: offers.map((offer) => ({
      tool: offer.tool,
      take: offer.take,
      check: checks.includes(offer.tool),
      words: describeOffer(offer, checks.includes(offer.tool)),
      ...(offer.take !== 'nothing' && { from: describeTouched(offer) }),
    })),
    generations: touchesToKeep(offers, checks, unread).map((touches) =>
      touches.map((touch) => ({ ...touch })),
    ),
    ...(minutes && { minutes }),
  }
}

/** What is offered to a set-up, and what its machine's log tells of how long touches take. */
interface Offered {
  /** The set-up, under what the shop asks of its machine now. */
  readonly document: LoadedSetup['document']
  readonly steps: readonly StepState[]
  /** Keys of the quantities that it asks for and has no reading of yet. */
  readonly unread: ReadonlySet<string>
  readonly offers: readonly KeptOffer[]
  /** Tools that are touched again although they are offered. */
  readonly checks: readonly number[]
  readonly gaps: readonly TouchGap[]
}

export async function offeredFor(
  store: Store,
  clock: Clock,
  work: SetupWork,
  setup: LoadedSetup,
): Promise<Offered> {
  const machines = await machinesOf(store)
  const policy = policyOf(machines, setup.document.sheet)
  const document = underPolicy(setup.document, policy)
  const { sheet } = document
  const now = clock().toISOString()
  const steps = await work.steps(setup, { now, policy })
  const unread = unreadOf(document, steps)
  const machine = machines.find(({ id }) => id === sheet.machineId)
  const ids = sheet.tools.flatMap(({ assembly }) => assembly ?? [])
  const gaps =
    machine === undefined ? [] : touchGaps(await store.tipMoments(machine.id, LOGGED_SETUPS))
  // Where one tool is set at a time it is clamped anew each time, and is another length by that.
  if (machine === undefined || ids.length === 0 || isToolByTool(sheet))
    return { document, steps, unread, offers: [], checks: [], gaps }

  const [uses, events] = await Promise.all([
    store.toolUses(ids, LATEST_USES),
    store.toolEvents(ids),
  ])
  const elsewhere = (id: string) => (uses.get(id) ?? []).filter((use) => use.setup !== setup.id)
  const happened = await store.happenedTo(
    [{ id: machine.id, name: machine.machine.name }],
    oldestTouch(ids.flatMap(elsewhere)),
  )
  const offers = keptOffers(
    {
      machine: machine.id,
      plane: sheet.plane,
      byMarks: sheet.machine.homing === 'marks',
      policy,
      gauges: sheet.gauges,
    },
    sheet.tools.flatMap(({ number, assembly }) =>
      assembly === undefined || !unread.has(quantityKey({ of: 'tip-on-plane', tool: number }))
        ? []
        : [{ number, uses: elsewhere(assembly), events: eventsOf(events, assembly) }],
    ),
    happened,
    now,
  )
  return { document, steps, unread, offers, checks: checksAmong(offers, policy), gaps }
}

/** What the set-up asks for and has no reading of yet. */
const unreadOf = (
  document: LoadedSetup['document'],
  steps: readonly StepState[],
): ReadonlySet<string> =>
  new Set(
    steps.flatMap(({ step }) =>
      step.does === 'read' && standingReadings(document, step.quantity).length === 0
        ? [quantityKey(step.quantity)]
        : [],
    ),
  )
