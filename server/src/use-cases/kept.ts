import type { KeptAnswer } from '@pine/contract'
import { underPolicy } from '@pine/core/facts'
import { stepsOf } from '@pine/core/plan'
import { quantityKey } from '@pine/core/quantities'
import { standingReadings } from '@pine/core/freshness'
import { isToolByTool } from '@pine/core/sheet'
import { checksAmong, keptOffers, touchesToKeep, touchMinutes } from '@pine/core/shop'
import { solve } from '@pine/core/solve'
import { describeOffer, describeTouched } from '@pine/core/words'
import type { Clock } from '../clock'
import type { Store } from '../store/store'
import type { StandingSetup } from './set-up-streams'
import { machinesOf, policyOf } from './shop'
import { eventsOf, oldestTouch } from './tools'

/** Of each tool, the last few set-ups that measured it: an older one than those tells nothing that they do not. */
const LATEST_USES = 10
/** How long a touch takes is told by the last set-ups on the machine: hands and gauges change. */
const LOGGED_SETUPS = 30

/** What earlier set-ups tell of the tools of this one, and which readings taking it over would enter. */
export async function keptFor(
  store: Store,
  clock: Clock,
  setup: StandingSetup,
): Promise<KeptAnswer> {
  const machines = await machinesOf(store)
  const policy = policyOf(machines, setup.document.sheet)
  const document = underPolicy(setup.document, policy)
  const { sheet } = document
  const machine = machines.find(({ id }) => id === sheet.machineId)
  const ids = sheet.tools.flatMap(({ assembly }) => assembly ?? [])
  // Where one tool is set at a time it is clamped anew each time, and is another length by that.
  if (machine === undefined || ids.length === 0 || isToolByTool(sheet))
    return { tools: [], readings: [], rebases: false }

  const [uses, events] = await Promise.all([
    store.toolUses(ids, LATEST_USES),
    store.toolEvents(ids),
  ])
  const elsewhere = (id: string) => (uses.get(id) ?? []).filter((use) => use.setup !== setup.id)
  const happened = await store.happenedTo(
    [{ id: machine.id, name: machine.machine.name }],
    oldestTouch(ids.flatMap(elsewhere)),
  )
  const now = clock().toISOString()
  const wanted = openQuantities(document, now)
  const offers = keptOffers(
    {
      machine: machine.id,
      plane: sheet.plane,
      byMarks: sheet.machine.homing === 'marks',
      policy,
      gauges: sheet.gauges,
    },
    sheet.tools.flatMap(({ number, assembly }) =>
      assembly === undefined || !wanted.has(quantityKey({ of: 'tip-on-plane', tool: number }))
        ? []
        : [{ number, uses: elsewhere(assembly), events: eventsOf(events, assembly) }],
    ),
    happened,
    now,
  )
  const checks = checksAmong(offers, policy)
  const minutes = touchMinutes(await store.tipMoments(machine.id, LOGGED_SETUPS))
  return {
    tools: offers.map((offer) => ({
      tool: offer.tool,
      take: offer.take,
      check: checks.includes(offer.tool),
      words: describeOffer(offer, checks.includes(offer.tool)),
      ...(offer.take !== 'nothing' && { from: describeTouched(offer) }),
    })),
    readings: touchesToKeep(offers, checks, wanted).map((touch) => ({ ...touch })),
    rebases: offers.some(({ take }) => take === 'after-rebase'),
    ...(minutes && { minutes }),
  }
}

/** What the set-up asks for and has no reading of yet. */
function openQuantities(document: StandingSetup['document'], now: string): ReadonlySet<string> {
  return new Set(
    stepsOf(document, solve(document, { now }, { explains: false }), false).flatMap(({ step }) =>
      step.does === 'read' && standingReadings(document, step.quantity).length === 0
        ? [quantityKey(step.quantity)]
        : [],
    ),
  )
}
