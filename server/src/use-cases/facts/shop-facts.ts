import { isDeepStrictEqual } from 'node:util'
import {
  reportProblem,
  type Action,
  type Member,
  type NewFactOf,
  type ShopStream,
} from '@pine/contract'
import { recordProblems, type Fields } from '@pine/core/fields'
import type { Problem } from '@pine/core/problem'
import { asksLess, checkMachine, type MachinePolicy } from '@pine/core/sheet'
import { SHOP_FIELDS, type GaugeFact, type MachineFact, type ShopBodies } from '@pine/core/shop'
import { accept, refuse, refuseInput, type Outcome, type Refusal } from '../../refusal'
import type { FactRow } from '../../store/rows/fact-row'
import { notAllowed } from '../people/allowed'
import { noStream } from './stream-refusals'
import { notifySetup, type Shop } from './notify-setups'

/** A fact that somebody sends to the stream of a machine, a gauge or a tool, and what stands there already. */
export interface Sent {
  readonly shop: Shop
  readonly person: Member
  /** Of the stream: which machine, gauge or tool it is. */
  readonly id: string
  readonly before: readonly FactRow[]
  readonly fact: NewFactOf<ShopStream>
}

/** What is asked of one kind of fact, and what follows from it. */
interface Rule<Body> {
  /** What a person must be allowed to do. */
  readonly needs: Action
  /** What is wrong with its numbers, beyond what its fields say. */
  readonly problems?: (body: Body) => readonly Problem[]
  /** Why it is refused by what stands there. */
  readonly refusal?: (body: Body, sent: Sent) => Refusal | undefined
  /** What happens elsewhere once it is written. Done twice it is done once. */
  readonly follows?: (body: Body, sent: Sent) => Promise<void>
}

type Rules = {
  readonly [Stream in ShopStream]: {
    readonly [Kind in keyof ShopBodies[Stream]]: Rule<ShopBodies[Stream][Kind]>
  }
}

const RULES: Rules = {
  machine: {
    machine: {
      needs: 'declare',
      problems: (machine) => checkMachine(machine, 'body'),
      refusal: (machine, sent) => weakerRules(machine, sent),
      follows: async ({ policy }, { shop, id, before }) => {
        const last = lastOf<MachineFact>(before, 'machine')
        if (last === undefined || isDeepStrictEqual(policy, last.policy)) return
        await shop.store.overtakeSummaries({ id, name: last.name }, shop.clock().toISOString())
      },
    },
    'machine-event': {
      needs: 'enter',
      follows: async ({ what, plane }, { shop, person, id, before, fact }) => {
        const name = lastOf<MachineFact>(before, 'machine')?.name ?? ''
        const moved = what === 'plane-moved' ? plane : undefined
        for (const setup of await shop.store.openOn({ id, name }, moved))
          await notifySetup(shop.setups, person, fact.id, setup, { kind: what })
      },
    },
    // What it tells counts once the machine is declared with it.
    'reversal-test': { needs: 'enter' },
  },
  gauge: {
    gauge: {
      needs: 'declare',
      refusal: (gauge, { id, before }) =>
        (gauge.id === id ? undefined : otherGauge(id, gauge.id)) ?? whyMissing(gauge, before),
    },
    'gauge-check': {
      needs: 'enter',
      refusal: (_, { before }) => {
        const gauge = lastOf<GaugeFact>(before, 'gauge')
        return gauge?.watch === undefined ? notWatched(gauge?.name ?? 'gauge') : undefined
      },
    },
  },
  tool: {
    tool: { needs: 'enter', refusal: (tool, { before }) => whyMissing(tool, before) },
    'tool-event': {
      needs: 'enter',
      follows: async (_, { shop, person, id, fact }) => {
        for (const { setup, number } of await shop.store.openUsesOf(id))
          await notifySetup(shop.setups, person, fact.id, setup, {
            kind: 'tool-changed',
            tool: number,
          })
      },
    },
  },
}

const ruleOf = (stream: ShopStream, kind: string): Rule<object> | undefined =>
  (RULES[stream] as Readonly<Record<string, Rule<object>>>)[kind]

/** Whether a fact may stand at the end of a stream; the first is what the thing is declared to be. */
export function decideOf(stream: ShopStream, sent: Sent): Outcome<object> {
  const { person, id, before, fact } = sent
  const body: object = fact.body
  const rule = ruleOf(stream, fact.kind)
  const denied = notAllowed(person, rule?.needs ?? 'declare')
  if (denied) return { ok: false, refusal: denied }
  if (before.length === 0 && fact.kind !== stream) return noStream(stream, id)
  const fields =
    (SHOP_FIELDS[stream] as unknown as Readonly<Record<string, Fields>>)[fact.kind] ?? {}
  // A check of the whole looks at the fields as well.
  const problems = rule?.problems?.(body) ?? recordProblems(fields, body, 'body')
  if (problems.length > 0) return refuseInput(problems.map(reportProblem))
  const refusal = rule?.refusal?.(body, sent)
  return refusal === undefined ? accept(body) : { ok: false, refusal }
}

/** What follows elsewhere from a fact that is written. */
export const followsFrom = async (stream: ShopStream, sent: Sent): Promise<void> =>
  ruleOf(stream, sent.fact.kind)?.follows?.(sent.fact.body, sent)

const lastOf = <Body extends object>(facts: readonly FactRow[], kind: string): Body | undefined =>
  facts.findLast((fact) => fact.kind === kind)?.body as Body | undefined

/** A tool as it stands in the list after it was declared. */
export const toolRowOf = (id: string, body: object) => {
  const {
    reason: _why,
    imported: _from,
    retired = false,
    ...tool
  } = body as ShopBodies['tool']['tool']
  return { id, tool, retired }
}

/** Less may be asked of a machine's set-ups than before (no second look, readings that grow older) by a lead, who says why. */
function weakerRules(
  { policy, reason }: { readonly policy?: MachinePolicy; readonly reason?: string },
  { person, before }: Sent,
): Refusal | undefined {
  if (!asksLess(policy, lastOf<MachineFact>(before, 'machine')?.policy)) return undefined
  const denied = notAllowed(person, 'lower-policy')
  if (denied) return denied
  return reason === undefined
    ? reasonNeeded('Less is asked of this machine’s set-ups than before.')
    : undefined
}

const whyMissing = (
  { reason }: { readonly reason?: string },
  before: readonly FactRow[],
): Refusal | undefined =>
  before.length > 0 && reason === undefined ? reasonNeeded('This changes what it was.') : undefined

const reasonNeeded = (message: string): Refusal =>
  refuse('input-wrong', {
    place: 'body.reason',
    message,
    expected: 'why',
    received: 'nothing',
    remedy: 'Say why: it stays with the change, under your name.',
  }).refusal

const otherGauge = (id: string, received: string): Refusal =>
  refuse('input-wrong', {
    place: 'body.id',
    message: 'This is another gauge.',
    expected: id,
    received,
    remedy: 'Send the gauge under its own id.',
  }).refusal

const notWatched = (name: string): Refusal =>
  refuse('input-wrong', {
    place: 'watch',
    message: `The tolerance of the ${name} is not set.`,
    expected: 'a limit that its checks are held to',
    received: 'none',
    remedy: 'A lead sets it at the gauge, with how often it is checked.',
  }).refusal
