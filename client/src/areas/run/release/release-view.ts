import { registerName } from '@pine/core/address'
import { standingReadings } from '@pine/core/freshness'
import { proofsNeeded } from '@pine/core/proof'
import { type TrustState } from '@pine/core/registers'
import { describeStep, describeWarning, stepName } from '@pine/core/words'
import type { LoadedSetup } from '@/data/setup/standing'
import { lengthWriter } from '../frame/entry/write-length'

export interface OpenStep {
  readonly key: string
  readonly name: string
  readonly trust: TrustState
}

/** What stands between a set-up and its release, or what was released. */
export interface ReleaseView {
  readonly shows: 'open' | 'release' | 'released'
  /** The record that stands, where the set-up is released. */
  readonly recordId: string | undefined
  /** It was released before, and something changed since. */
  readonly overtaken: string
  readonly open: readonly OpenStep[]
  readonly sentence: string
  /** What somebody took responsibility for, and why. */
  readonly accepted: readonly string[]
  readonly disagreements: readonly {
    readonly key: string
    readonly words: string
    /** Where it is put right, where that is one step. */
    readonly step: string | undefined
  }[]
}

export function releaseView({ document, solution, steps }: LoadedSetup): ReleaseView {
  const open = steps.filter(({ step, done }) => !done && step.does !== 'record')
  const record = document.records.at(-1)
  const released = steps.some(({ step, done }) => step.does === 'record' && done)
  const write = lengthWriter(solution)
  return {
    shows: open.length > 0 ? 'open' : released ? 'released' : 'release',
    recordId: released ? record?.id : undefined,
    overtaken:
      record !== undefined && !released
        ? `Something changed since it was released by ${record.by.name}: it is to be released anew.`
        : '',
    open: open.map(({ step, trust }) => ({
      key: step.key,
      name: stepName(document, step),
      trust,
    })),
    sentence:
      open.length === 0
        ? 'Everything is read, keyed in and proven. Release it.'
        : `${open.length} ${open.length === 1 ? 'step is' : 'steps are'} still open.`,
    accepted: acceptedLines({ document, solution }),
    disagreements: solution.warnings.map((warning) => ({
      key: `${warning.code}${warning.place}`,
      words: describeWarning(warning, (nm) => `${write(nm)} ${solution.unit}`),
      step: steps.find(({ step }) => [warning.place, `key-in:${warning.place}`].includes(step.key))
        ?.step.key,
    })),
  }
}

function acceptedLines({
  document,
  solution,
}: Pick<LoadedSetup, 'document' | 'solution'>): readonly string[] {
  const unproven = document.acceptances.filter(
    ({ address, accepts }) =>
      accepts === 'unproven' &&
      solution.registers.some((one) => one.address === address && one.state !== 'proven'),
  )
  const stale = solution.registers.flatMap(({ accepted }) => accepted ?? [])
  const leftOut = document.checkOffs.filter((one) => one.leftOut !== undefined)
  return [
    ...letGo(document, solution),
    ...document.readings.flatMap((one) =>
      one.surprise !== undefined && standingReadings(document, one).includes(one)
        ? [
            `${describeStep(document, one, []).title} was not what was expected: ${one.surprise} (${one.by.name})`,
          ]
        : [],
    ),
    ...solution.proofs.flatMap(({ proof, right }) =>
      right && proof.byEye === true
        ? [`${proof.row} with T${proof.tool} seen by eye, not proven (${proof.by.name})`]
        : [],
    ),
    ...stale.map((one) => `${registerName(one.address)} stale: ${one.reason} (${one.by.name})`),
    ...unproven.map(
      (one) => `${registerName(one.address)} unproven: ${one.reason} (${one.by.name})`,
    ),
    ...document.checkOffs.flatMap((one) =>
      'because' in one && one.because !== undefined
        ? [`${one.of}: ${one.because} (${one.by.name})`]
        : [],
    ),
    ...leftOut.map((one) => `${one.of} left out: ${one.leftOut} (${one.by.name})`),
  ]
}

/** Tools that were touched and are not proven, because the machine's policy proves the riskiest. */
function letGo(document: LoadedSetup['document'], solution: LoadedSetup['solution']) {
  if (document.sheet.machine.policy?.proves !== 'riskiest') return []
  const proven = new Set(proofsNeeded(document, solution).map(({ tool }) => tool))
  const others = document.sheet.tools.filter(
    ({ number, length }) => length === undefined && !proven.has(number),
  )
  return others.length === 0
    ? []
    : [
        `${others.map(({ number }) => `T${number}`).join(', ')} not proven: the machine’s policy proves the riskiest`,
      ]
}
