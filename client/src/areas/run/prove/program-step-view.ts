import { standingCheckOff } from '@pine/core/plan'
import { mayRun, programStanding } from '@pine/core/running'
import {
  describeCheck,
  describeFileAtMachine,
  describeJudgement,
  describeProgramVerdict,
  type CheckWords,
} from '@pine/core/words'
import type { FactDraft } from '@/data/outbox/fact-draft'
import type { LoadedSetup } from '@/data/setup/standing'
import { lengthWriter } from '../frame/entry/write-length'

/** The program against what is keyed by now: whether it may run, and why not. */
export interface ProgramStepView {
  readonly words: CheckWords
  readonly name: string
  readonly clear: boolean
  readonly verdict: { readonly words: string; readonly tone: 'wrong' | 'caution' | 'act' }
  readonly lines: readonly { readonly key: string; readonly words: string }[]
  readonly file: { readonly words: string; readonly wrong: boolean }
  /** It may run as it is, or somebody answered for it. */
  readonly isCurrent: boolean
  readonly seen?: string
  /** What is entered by going on: nothing where it was looked over already. */
  readonly see: (leftOut?: string) => readonly FactDraft[]
}

/** @returns undefined where no program was read. */
export function programStepView({ document, solution }: LoadedSetup): ProgramStepView | undefined {
  const standing = programStanding(document, solution)
  if (standing === undefined) return undefined
  const { program, dangers, toLookAt, atMachine } = standing
  const done = standingCheckOff(document, 'program')
  const write = lengthWriter(solution)
  const clear = mayRun(standing)
  return {
    words: describeCheck(document, 'program'),
    name: program.name,
    clear,
    verdict: {
      words: describeProgramVerdict(dangers.length, dangers.length + toLookAt.length),
      tone: dangers.length > 0 ? 'wrong' : toLookAt.length > 0 ? 'caution' : 'act',
    },
    lines: [...dangers, ...toLookAt].map((judgement) => ({
      key: `${judgement.code}${judgement.line}`,
      words: `Line ${judgement.line}: ${describeJudgement(judgement, (nm) => `${write(nm)} ${solution.unit}`).title}`,
    })),
    file: { words: describeFileAtMachine(atMachine), wrong: atMachine === 'another' },
    isCurrent: clear || done?.leftOut !== undefined,
    ...(done && {
      seen: `looked over by ${done.by.name}${done.leftOut === undefined ? '' : `, may run: ${done.leftOut}`}`,
    }),
    see: (leftOut) =>
      done !== undefined && leftOut === undefined
        ? []
        : [
            {
              kind: 'check-off',
              body: { of: 'program', ...(leftOut !== undefined && { leftOut }) },
            },
          ],
  }
}
