import { useState } from 'react'
import TriangleAlert from 'lucide-react-native/icons/triangle-alert'
import { View } from '@tamagui/core'
import { type ProgramJudgement, type ProgramProblem } from '@pine/core/program'
import { type Solution } from '@pine/core/solve'
import { describeJudgement, describeProgramProblem } from '@pine/core/words'
import type { ProgramText } from '@/data/program/program-text'
import { Button } from '@/kit/button'
import { Card, Column, Row } from '@/kit/surfaces'
import { Digits, Words } from '@/kit/words'
import { useRoles } from '@/theme/use-roles'
import { lengthWriter } from '@/areas/run/frame/entry/write-length'
import { TextWindow } from './text-window'

export interface Placed {
  readonly line: number
  readonly excerpt: string
}

export interface JudgementListProps {
  readonly judgements: readonly ProgramJudgement[]
  readonly solution: Pick<Solution, 'unit' | 'decimals'>
  /** Whose lines can be looked at. */
  readonly program: ProgramText
  readonly marked: ReadonlySet<number>
  /** Leads to what mends it, where something here does. */
  readonly mendOf: (judgement: ProgramJudgement) => (() => void) | undefined
}

/** What is to be looked at before it runs, the dangers first: what, why, what to do, and where. */
export function JudgementList({
  judgements,
  solution,
  program,
  marked,
  mendOf,
}: JudgementListProps) {
  const write = lengthWriter(solution)
  return (
    <Column gap="$3">
      {judgements.map((judgement) => {
        const { title, why, remedy } = describeJudgement(
          judgement,
          (nm) => `${write(nm)} ${solution.unit}`,
        )
        const { code, line, severity, tool, register, row, axis } = judgement
        return (
          <Finding
            key={`${code} ${line} ${tool} ${register} ${row} ${axis}`}
            title={title}
            detail={`${why} ${remedy}`}
            severity={severity}
            place={judgement}
            program={program}
            marked={marked}
            mend={mendOf(judgement)}
          />
        )
      })}
    </Column>
  )
}

/** What could not be read or followed. */
export function ProblemList({
  problems,
  leftOut,
  program,
  marked,
}: {
  readonly problems: readonly ProgramProblem[]
  readonly leftOut: number
  readonly program: ProgramText
  readonly marked: ReadonlySet<number>
}) {
  const [all, setAll] = useState(false)
  const shown = all ? problems : problems.slice(0, FIRST)
  return (
    <Column gap="$3">
      {shown.map((problem) => (
        <Finding
          key={`${problem.code} ${problem.line} ${problem.column}`}
          title={`Line ${problem.line}, column ${problem.column}: not followed`}
          detail={`${describeProgramProblem(problem)}.`}
          severity="look"
          place={problem}
          program={program}
          marked={marked}
          mend={undefined}
        />
      ))}
      {!all && problems.length > FIRST && (
        <Button onPress={() => setAll(true)}>All {problems.length}</Button>
      )}
      {leftOut > 0 && (
        <Words tone="caution">
          {leftOut} more were found and not kept: is this a program at all?
        </Words>
      )}
    </Column>
  )
}
const FIRST = 5

interface FindingProps {
  readonly title: string
  readonly detail: string
  readonly severity: ProgramJudgement['severity']
  readonly place: Placed
  readonly program: ProgramText
  readonly marked: ReadonlySet<number>
  readonly mend: (() => void) | undefined
}

const SEVERITY_NAMES = {
  danger: 'Can crash or scrap',
  look: 'Look at it',
  note: 'Good to know',
} as const

function Finding({ title, detail, severity, place, program, marked, mend }: FindingProps) {
  const roles = useRoles()
  const [open, setOpen] = useState(false)
  const { line, excerpt } = place
  return (
    <Card padded tone={severity === 'danger' ? 'wrong' : 'plain'} testID={`finding-${severity}`}>
      <Row gap="$2">
        {severity !== 'note' && (
          <TriangleAlert
            size={20}
            color={severity === 'danger' ? roles.wrong : roles.cautionMark}
            aria-hidden
          />
        )}
        <Words
          as="note"
          strong
          tone={severity === 'danger' ? 'wrong' : severity === 'look' ? 'caution' : 'soft'}
        >
          {SEVERITY_NAMES[severity]}
        </Words>
      </Row>
      <Words as="lead" strong tone={severity === 'danger' ? 'wrong' : 'ink'}>
        {title}
      </Words>
      <Words>{detail}</Words>
      {excerpt !== '' && !open && (
        <View backgroundColor="$tray" borderRadius="$small" padding="$2">
          <Digits as="note">
            {line} {excerpt}
          </Digits>
        </View>
      )}
      {open && <TextWindow program={program} line={line} marked={marked} />}
      {(mend !== undefined || excerpt !== '') && (
        <Row flexWrap="wrap">
          {mend && (
            <Button onPress={mend} testID="mend">
              Mend it
            </Button>
          )}
          {excerpt !== '' && (
            <Button kind="plain" onPress={() => setOpen(!open)} testID="show-lines">
              {open ? 'Close the text' : 'Show it in the text'}
            </Button>
          )}
        </Row>
      )}
    </Card>
  )
}
