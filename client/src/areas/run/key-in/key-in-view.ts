import type { ShortReadBack } from '@pine/core/facts'
import { isCaptured, readBackAgrees, type KeyInLine } from '@pine/core/keyin'
import { readLength, type LengthUnit, type WrittenLength } from '@pine/core/length'
import { readAgain } from '@pine/core/plan'
import { type Register } from '@pine/core/registers'
import {
  describeActiveLength,
  describeKeyMode,
  describeNoStand,
  describeStale,
  describeWarning,
  READ_ROW_FIRST,
  STORED_BY_CYCLE,
  stepName,
  typographic,
} from '@pine/core/words'
import { nameOfReason, type StaleReason } from '@pine/core/freshness'
import { registerName } from '@pine/core/address'
import type { FactDraft } from '@/data/outbox/fact-draft'
import type { LoadedSetup } from '@/data/setup/standing'
import { lengthWriter } from '../frame/entry/write-length'
import { amongOthers, shortAsk, type ShortAsk } from './short-ask'

/** A register that is keyed in: what is typed and what belongs to it, and what is shown beneath. */
export interface KeyInView {
  readonly name: string
  /** What is typed, in the control's digits; none where the row is read first, or only looked at. */
  readonly type?: string
  readonly unit: LengthUnit
  /** What the key does and does not do, or what comes first; none where nothing may be keyed now. */
  readonly key?: { readonly does: string; readonly not: string } | { readonly first: string }
  /** What the row shows now, where what is typed is counted from that. */
  readonly row?: string
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

/** What was pressed at the step since it was opened. */
export interface Pressed {
  /** After a disagreement, or over a number that is right: keyed once more, or only looked at once more. */
  readonly again?: 'key' | 'look'
  /** The axis does not stand at the touch any more. */
  readonly movedAway?: boolean
  /** The row does not show what the number to type is counted from. */
  readonly rowDiffers?: boolean
}

export type Beneath =
  | {
      readonly of: 'stale'
      readonly why: string
      readonly again?: { readonly key: string; readonly name: string }
      /** Entered with the reason of whoever knows better. */
      readonly accept: (reason: string) => FactDraft
    }
  | { readonly of: 'mismatch' }
  | {
      readonly of: 'equal'
      readonly text: string
      readonly accepted?: string
      readonly shown: string
      /** How much of it was typed, where that was not all. */
      readonly way?: string
    }
  | {
      readonly of: 'ask'
      readonly moment: 'before' | 'after'
      readonly label: string
      /** What may be pressed instead of doing as told, because it is not so. */
      readonly unless?: Unless
      /** How little of it may be typed: only what it should show is said so; anything else is typed whole. */
      readonly short?: ShortAsk
      readonly facts: (shown: WrittenLength, way?: ShortReadBack) => readonly FactDraft[]
      /** Whether the control shows what it should, so that the run goes on. */
      readonly isRight: (shown: WrittenLength) => boolean
    }

export interface Unless {
  readonly pressed: Pressed
  readonly text: string
}

/** @returns undefined where its readings come first. */
export function keyInView(
  setup: LoadedSetup,
  register: Register,
  pressed: Pressed = {},
): KeyInView | undefined {
  const { address, chain } = register
  const keyIn = pressed.movedAway === true ? register.keyInElsewhere : register.keyIn
  if (keyIn === undefined || chain === undefined) return undefined
  const { type, unit, before, after } = keyIn
  const name = registerName(address)
  const below = beneath(setup, register, keyIn, pressed)
  // A number that no longer holds is not to be typed: it is only told.
  if (below.of === 'stale')
    return { name, unit, notes: [], was: `${typographic(after)} ${unit}`, beneath: below }
  const crossed = setup.solution.warnings.find(
    ({ code, place }) => code === 'keyed-by-two' && place === address,
  )
  const conflict: readonly KeyInNote[] = crossed
    ? [{ words: describeWarning(crossed, () => ''), holds: 'conflict' }]
    : []
  const write = lengthWriter(setup.solution)
  const change =
    before === undefined ? undefined : `${write(before)} → ${typographic(after)} ${unit}`
  // What a key adds must not be told twice: not while a disagreement is looked at, and not over a number that is right.
  if (below.of !== 'ask' || pressed.again === 'look')
    return {
      name,
      unit,
      notes: conflict,
      ...(change !== undefined && below.of !== 'ask' && { change }),
      beneath: below,
    }
  const key = describeKeyMode(keyIn.mode)
  const isReadFirst = below.moment === 'before'
  const isStored = keyIn.mode === 'stored'
  return {
    name,
    unit,
    key: isReadFirst
      ? { first: READ_ROW_FIRST }
      : isStored
        ? { first: STORED_BY_CYCLE }
        : { does: key.does, not: key.not },
    notes: isReadFirst ? conflict : [...conflict, ...notesBefore(keyIn)],
    ...(!isReadFirst &&
      !isStored &&
      type !== undefined && {
        type: typographic(type),
        ...(key.mind !== undefined && { mind: key.mind }),
        ...(keyIn.mode === 'add' && before !== undefined && { row: `${write(before)} ${unit}` }),
      }),
    ...(change !== undefined && !isReadFirst && { change }),
    beneath: below,
  }
}

/** What goes before the number, in the order of work. */
const notesBefore = ({
  unit,
  mode,
  copies,
  counter,
  insteadOf,
  activeLength,
}: KeyInLine): readonly KeyInNote[] =>
  [
    insteadOf && ({ words: describeNoStand(insteadOf.because), holds: 'words' } as const),
    activeLength !== undefined &&
      ({ words: describeActiveLength(activeLength), holds: 'warning' } as const),
    copies !== undefined &&
      ({
        words: `${mode === 'copy-counter' ? 'the relative counter ' : ''}copied in, the row shows ${typographic(copies)} ${unit}; then`,
        holds: 'digits',
      } as const),
    counter !== undefined &&
      ({
        words: `counter at the second face ${typographic(counter.full)}, halved ${typographic(counter.half)} ${unit}; drive to 0, then`,
        holds: 'digits',
      } as const),
    counter !== undefined &&
      ({
        words: `or, without driving: at the second face my position is ${typographic(counter.atSecond)} ${unit}`,
        holds: 'digits',
      } as const),
  ].filter((note) => note !== undefined && note !== false)

function beneath(
  setup: LoadedSetup,
  register: Register,
  keyIn: KeyInLine,
  { again: pressedAgain, rowDiffers = false }: Pressed,
): Beneath {
  const { document, solution, steps } = setup
  const { address, stale, accepted, readBack, state } = register
  if (stale !== undefined && accepted === undefined) {
    const again = readAgain(document, solution, steps, register)
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
  if (readBack !== undefined && !readBack.equal && pressedAgain === undefined)
    return { of: 'mismatch' }
  if ((state === 'keyed' || state === 'proven') && pressedAgain === undefined)
    return {
      of: 'equal',
      text: state === 'proven' ? 'Read back equal, and proven.' : 'Read back equal.',
      shown: `${typographic(readBack?.shownText ?? '')} ${readBack?.shownUnit ?? ''}`,
      ...(readBack?.way && { way: WAY_WORDS[readBack.way] }),
      ...(accepted && { accepted: `accepted by ${accepted.by.name}: ${accepted.reason}` }),
    }
  const name = registerName(address)
  const isRight = (shown: WrittenLength) => {
    const read = readLength(shown)
    return read.ok && readBackAgrees(keyIn, read.value, solution.decimals)
  }
  const shows = (shown: WrittenLength, way?: ShortReadBack): FactDraft => ({
    kind: 'read-back',
    body: { address, moment: 'after', shown, ...(way && { way }) },
  })
  if (pressedAgain === 'look')
    return {
      of: 'ask',
      moment: 'after',
      label: `What ${name} shows now`,
      facts: (shown) => [shows(shown)],
      isRight,
    }
  // What an adding key does depends on what stands there: that is read first.
  if (keyIn.mode === 'add' && (keyIn.type === undefined || rowDiffers))
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
  const unless = unlessOf(keyIn)
  return {
    of: 'ask',
    moment: 'after',
    label: 'What the control shows now',
    ...(unless && { unless }),
    ...(pressedAgain === undefined &&
      keyIn.type !== undefined && {
        short: shortAsk(keyIn, { wasKeyed, ...amongOthers(setup, address) }),
      }),
    facts: (shown, way) => [
      {
        kind: 'key-in',
        body: {
          address,
          mode: keyIn.mode,
          typed: { text: keyIn.type ?? keyIn.after, unit: keyIn.unit },
        },
      },
      shows(shown, way),
    ],
    isRight,
  }
}

/** What is told is counted from something that may not be so any more, and only the person can see that. */
function unlessOf({ mode }: KeyInLine): Unless | undefined {
  if (mode === 'add')
    return { pressed: { rowDiffers: true }, text: 'Before keying it shows another number' }
  return isCaptured(mode)
    ? { pressed: { movedAway: true }, text: 'The axis has moved since the touch' }
    : undefined
}

/** How much of what was shown somebody typed, where that was not all. */
const WAY_WORDS: Readonly<Record<ShortReadBack, string>> = {
  'sign-and-digits': 'sign and last digits typed, the rest compared by eye',
  'last-digits': 'its last digits typed, the rest compared by eye',
  seen: 'compared by eye',
}

const sentence = (words: string): string => `${words.charAt(0).toUpperCase()}${words.slice(1)}.`

/** What was read with a gauge need not be read again where somebody measures that. */
const correctable = (stale: StaleReason): string =>
  stale.by === 'event' && stale.event.kind === 'check-failed'
    ? ' Measured anew, it corrects what was read with it: report a change.'
    : ''
