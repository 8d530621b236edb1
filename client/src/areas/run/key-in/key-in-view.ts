import type { ShortReadBack } from '@pine/core/facts'
import { leastReadBack, partedDigits, readBackAgrees, type KeyInLine } from '@pine/core/keyin'
import { readLength, type LengthUnit, type WrittenLength } from '@pine/core/length'
import { type Register } from '@pine/core/registers'
import {
  describeActiveLength,
  describeKeyMode,
  describeStale,
  describeWarning,
  stepName,
  typographic,
} from '@pine/core/words'
import { nameOfReason, type StaleReason } from '@pine/core/freshness'
import { registerName } from '@pine/core/address'
import type { Said } from '@/data/outbox/said'
import type { StandingSetup } from '@/data/setup/standing'
import { lengthWriter } from '../frame/write-length'

/** A register that is keyed in: what is typed and what belongs to it, and what is shown beneath. */
export interface KeyInView {
  readonly name: string
  /** What is typed, in the control's digits; none where the row is read first. */
  readonly type?: string
  readonly unit: LengthUnit
  /** What the key does and does not do, or what comes first; none where nothing may be keyed now. */
  readonly key?: { readonly does: string; readonly not: string } | { readonly first: string }
  /** The number as it was, where it no longer holds. */
  readonly was?: string
  /** What goes before the number, in the order of work. */
  readonly notes: readonly KeyInNote[]
  readonly mind?: string
  /** What stood there, and what will. */
  readonly change?: string
  readonly beneath: Beneath
}

export interface KeyInNote {
  readonly words: string
  readonly holds: 'words' | 'digits' | 'warning' | 'conflict'
}

export type Beneath =
  | {
      readonly of: 'stale'
      readonly why: string
      readonly again?: { readonly key: string; readonly name: string }
      /** Entered with the reason of whoever knows better. */
      readonly accept: (reason: string) => Said
    }
  | { readonly of: 'mismatch' }
  | {
      readonly of: 'equal'
      readonly says: string
      readonly accepted?: string
      readonly shown: string
      /** How much of it was typed, where that was not all. */
      readonly way?: string
    }
  | {
      readonly of: 'ask'
      readonly moment: 'before' | 'after'
      readonly label: string
      /** How little of it may be typed: only what it should show is said so; anything else is typed whole. */
      readonly short?: ShortAsk
      readonly facts: (shown: WrittenLength, way?: ShortReadBack) => readonly Said[]
      /** Whether the control shows what it should, so that the run goes on. */
      readonly isRight: (shown: WrittenLength) => boolean
    }

/** What a control should show, to be compared by eye and by its last digits. */
export interface ShortAsk {
  readonly way: ShortReadBack
  readonly expected: WrittenLength
  /** As a person reads it: all of it, and what stands before the last digits. */
  readonly says: string
  readonly first: string
}

/**
 * @param retyping it is keyed once more: what was shown before counts no longer.
 * @returns undefined where its readings come first.
 */
export function keyInView(
  setup: StandingSetup,
  register: Register,
  retyping: boolean,
): KeyInView | undefined {
  const { address, keyIn, chain } = register
  if (keyIn === undefined || chain === undefined) return undefined
  const { mode, type, unit, before, after, copies, counter, insteadOf, activeLength } = keyIn
  const below = beneath(setup, register, keyIn, retyping)
  const isKeyed = register.readBack?.equal === true
  // What a key adds must not be told twice: not while a disagreement is looked at, before it is keyed again, and not where it
  // is read back once more while it shows what it should.
  const isOnlyLookedAt = below.of === 'mismatch' || (isKeyed && retyping)
  // A number that no longer holds is not to be typed: it is only told.
  if (below.of === 'stale')
    return {
      name: registerName(address),
      unit,
      notes: [],
      was: `${typographic(after)} ${unit}`,
      beneath: below,
    }
  const key = describeKeyMode(mode)
  const crossed = setup.solution.warnings.find(
    ({ code, place }) => code === 'keyed-by-two' && place === address,
  )
  const told: readonly KeyInNote[] = crossed
    ? [{ words: describeWarning(crossed, () => ''), holds: 'conflict' }]
    : []
  const notes: (KeyInNote | false)[] = [
    insteadOf !== undefined && { words: describeKeyMode(insteadOf).first, holds: 'words' },
    activeLength !== undefined && { words: describeActiveLength(activeLength), holds: 'warning' },
    copies !== undefined && {
      words: `copied in, the row shows ${typographic(copies)} ${unit}; then`,
      holds: 'digits',
    },
    counter !== undefined && {
      words: `counter at the second face ${typographic(counter.full)}, halved ${typographic(counter.half)} ${unit}; drive to 0, then`,
      holds: 'digits',
    },
  ]
  return {
    name: registerName(address),
    unit,
    ...(!isOnlyLookedAt && {
      key: type === undefined ? { first: key.first } : { does: key.does, not: key.not },
    }),
    notes: [
      ...told,
      ...(type === undefined || isKeyed || isOnlyLookedAt
        ? []
        : notes.filter((note) => note !== false)),
    ],
    ...(type !== undefined &&
      !isOnlyLookedAt && {
        type: typographic(type),
        ...(key.mind !== undefined && { mind: key.mind }),
      }),
    ...(before !== undefined &&
      !(isKeyed && retyping) && {
        change: `${lengthWriter(setup.solution)(before)} → ${typographic(after)} ${unit}`,
      }),
    beneath: below,
  }
}

function beneath(
  { document, solution, steps }: StandingSetup,
  register: Register,
  keyIn: NonNullable<Register['keyIn']>,
  retyping: boolean,
): Beneath {
  const { address, stale, accepted, readBack, state } = register
  if (stale !== undefined && accepted === undefined) {
    const again = steps.find(({ step, done }) => step.does === 'read' && !done)?.step
    return {
      of: 'stale',
      why: `${sentence(describeStale(stale, document.sheet.gauges))}${correctable(stale)}`,
      ...(again && { again: { key: again.key, name: stepName(document, again) } }),
      accept: (reason) => ({
        kind: 'acceptance',
        body: { address, accepts: nameOfReason(stale), reason },
      }),
    }
  }
  if (readBack !== undefined && !readBack.equal && !retyping) return { of: 'mismatch' }
  if ((state === 'keyed' || state === 'proven') && !retyping)
    return {
      of: 'equal',
      says: state === 'proven' ? 'Read back equal, and proven.' : 'Read back equal.',
      shown: `${typographic(readBack?.shownText ?? '')} ${readBack?.shownUnit ?? ''}`,
      ...(readBack?.way && { way: WAY_WORDS[readBack.way] }),
      ...(accepted && { accepted: `accepted by ${accepted.by.name}: ${accepted.reason}` }),
    }
  const name = registerName(address)
  // What an adding key does depends on what stands there: that is read first.
  if (keyIn.type === undefined && keyIn.mode === 'add')
    return {
      of: 'ask',
      moment: 'before',
      label: `What ${name} shows before you key`,
      facts: (shown) => [{ kind: 'read-back', body: { address, moment: 'before', shown } }],
      isRight: () => false,
    }
  // After a disagreement nothing is taken on trust.
  const wasKeyed = document.readBacks.some(
    (one) => one.address === address && one.moment === 'after',
  )
  const short = shortAsk(keyIn, wasKeyed)
  return {
    of: 'ask',
    moment: 'after',
    label: 'What the control shows now',
    ...(!retyping && keyIn.type !== undefined && { short }),
    facts: (shown, way) => [
      {
        kind: 'key-in',
        body: {
          address,
          mode: keyIn.mode,
          typed: { text: keyIn.type ?? keyIn.after, unit: keyIn.unit },
        },
      },
      { kind: 'read-back', body: { address, moment: 'after', shown, ...(way && { way }) } },
    ],
    isRight: (shown) => {
      const read = readLength(shown)
      return read.ok && readBackAgrees(keyIn, read.value, solution.decimals)
    },
  }
}

function shortAsk({ address, after, unit }: KeyInLine, wasKeyed: boolean): ShortAsk {
  return {
    way: leastReadBack(address, { wasKeyed }),
    expected: { text: after, unit },
    says: `${typographic(after)} ${unit}`,
    first: typographic(partedDigits(after).first),
  }
}

/** How much of what was shown somebody typed, where that was not all. */
const WAY_WORDS: Readonly<Record<ShortReadBack, string>> = {
  'last-digits': 'its last digits typed, the rest compared by eye',
  seen: 'compared by eye',
}

const sentence = (words: string): string => `${words.charAt(0).toUpperCase()}${words.slice(1)}.`

/** What was read with a gauge need not be read again where somebody measures that. */
const correctable = (stale: StaleReason): string =>
  stale.by === 'event' && stale.event.kind === 'check-failed'
    ? ' Measured anew, it corrects what was read with it: say so as something that changed.'
    : ''
