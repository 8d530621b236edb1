import { useEffect, useMemo } from 'react'
import { useRouter } from 'expo-router'
import { useMedia, View } from '@tamagui/core'
import { programViews } from '@pine/core/picture'
import { mendOf, needsBeside, type Mend } from '@pine/core/plan'
import { comparePrograms, type ProgramJudgement } from '@pine/core/program'
import { faultsOf, judgeAll } from '@pine/core/running'
import { describeProgramChange, describeProgramVerdict } from '@pine/core/words'
import type { ProgramFile } from '@/data/program/program-file'
import { KeptProgramText, keepProgramText, type ProgramText } from '@/data/program/program-text'
import type { Enter } from '@/data/outbox/fact-draft'
import type { LoadedSetup } from '@/data/setup/standing'
import { OpenedSetup } from '@/areas/run/frame/opened-setup'
import { lengthWriter } from '@/areas/run/frame/entry/write-length'
import { Button } from '@/kit/button'
import { FilePicker } from '@/kit/entry/file-picker'
import { Page } from '@/kit/frame/page'
import { sizeText } from '@/kit/size-text'
import { Card, Column } from '@/kit/surfaces'
import { Digits, Words } from '@/kit/words'
import { FileProgress } from './file-state'
import { JudgementList, ProblemList } from './judgement-list'
import { MachineCheck } from './machine-check'
import { Decide, PickProgramPage } from './pick-program'
import { NeedsList } from './needs-list'
import { ProgramPicture } from './program-picture'
import { useProgramFile } from './use-program-file'

/** The program of a set-up: what it needs beside what is there, and what could go wrong with it. */
export function ProgramScreen({ id }: { id: string }) {
  return (
    <OpenedSetup id={id}>
      {(setup, enter) => <Program id={id} setup={setup} enter={enter} />}
    </OpenedSetup>
  )
}

interface ProgramProps {
  readonly id: string
  readonly setup: LoadedSetup
  readonly enter: Enter
}

function Program({ id, setup, enter }: ProgramProps) {
  const router = useRouter()
  const program = useProgramFile()
  const { state, open, drop } = program
  const kept = setup.document.programs.at(-1)
  const file = state.is === 'read' ? state.file : undefined
  const isKept = file !== undefined && file.sha256 === kept?.sha256
  const text = useMemo(() => kept && new KeptProgramText(kept.sha256, kept.reading), [kept])
  useEffect(() => () => text?.close(), [text])
  const toStep = (step: string | undefined) =>
    router.push({ pathname: '/setups/[id]', params: { id, ...(step !== undefined && { step }) } })
  const onSheet = () => router.push({ pathname: '/setups/sheet', params: { id } })
  const parts = { setup, toStep, onSheet }
  const backToRun = (
    <Button kind="plain" onPress={() => toStep(undefined)}>
      Back to the set-up
    </Button>
  )

  if (file !== undefined && !isKept)
    return (
      <Page
        title={`${file.name} was read.`}
        foot={
          <Decide
            onTake={() => {
              const { name, bytes, sha256, reading } = file
              void keepProgramText(file.blob, sha256)
              void enter({ kind: 'program', body: { name, bytes, sha256, reading } })
            }}
            onDrop={drop}
            take="Keep it"
            testID="keep-program"
          />
        }
      >
        <Revision file={file} setup={setup} />
        <Findings program={file} {...parts} fresh />
      </Page>
    )
  if (kept === undefined || text === undefined)
    return (
      <PickProgramPage
        title="Which program will run here?"
        why="It is read on this device: which tools, lengths and offsets it needs, how deep it goes, and what could go wrong with it."
        program={program}
        foot={backToRun}
      />
    )
  return (
    <Page
      title={kept.name}
      foot={backToRun}
      aside={
        <>
          <ProgramPicture
            views={programViews(kept.reading, setup.document, setup.solution)}
            solution={setup.solution}
          />
          <MachineCheck kept={kept} document={setup.document} enter={enter} />
        </>
      }
    >
      <Digits as="note">
        {kept.reading.lines} lines, {sizeText(kept.bytes)}, {kept.reading.unit ?? 'no unit'}, read
        by {kept.by.name}, {kept.sha256.slice(0, 8)}
      </Digits>
      <Findings program={file ?? text} {...parts} />
      <HeaderNumbers setup={setup} header={kept.reading.header} />
      <Card padded>
        <Words>
          Was it changed? Pick the new revision: what that means for the set-up is told before it is
          kept.
        </Words>
        <FilePicker onPick={open} testID="program-file">
          Pick the file
        </FilePicker>
        <FileProgress program={program} />
      </Card>
    </Page>
  )
}

/** What a revision means, against the one that is kept. */
function Revision({ file, setup }: { file: ProgramFile; setup: LoadedSetup }) {
  const before = setup.document.programs.at(-1)
  if (before === undefined) return null
  const write = lengthWriter(setup.solution)
  const changes = comparePrograms(before.reading, file.reading)
  return (
    <Card padded testID="revision">
      <Words as="lead" strong role="heading" aria-level={2}>
        {changes.length === 0
          ? `It means the same as ${before.name} of before.`
          : `Against ${before.name} of before:`}
      </Words>
      {changes.map((change) => {
        const sentences = describeProgramChange(
          change,
          (nm) => `${write(nm)} ${setup.solution.unit}`,
        )
        return <Words key={sentences}>{sentences}</Words>
      })}
      {changes.length === 0 && (
        <Words as="note">
          Line numbers, comments and layout are different; no tool, depth or offset is.
        </Words>
      )}
    </Card>
  )
}

interface FindingsProps {
  readonly setup: LoadedSetup
  readonly program: ProgramText
  readonly toStep: (step: string | undefined) => void
  readonly onSheet: () => void
  /** Not decided on yet: the one thing to do is to keep it, or not. */
  readonly fresh?: boolean
}

function Findings({ setup, program, toStep, onSheet, fresh = false }: FindingsProps) {
  const { reading } = program
  const { wide } = useMedia()
  const { document, solution, steps } = setup
  const judgements = useMemo(
    () => faultsOf(judgeAll(reading, document, solution), solution),
    [reading, document, solution],
  )
  const needs = useMemo(
    () => needsBeside(reading, document, solution, steps),
    [reading, document, solution, steps],
  )
  const marked = useMemo(
    () => new Set([...judgements, ...reading.problems].map(({ line }) => line)),
    [judgements, reading],
  )
  const go = (mend: Mend | undefined) =>
    mend && (mend.on === 'sheet' ? onSheet : () => toStep(mend.step.key))
  const mending = (judgement: ProgramJudgement) => mendOf(judgement, document, steps)
  const dangers = judgements.filter(({ severity }) => severity === 'danger')
  const mend = dangers.map(mending).find((one) => one !== undefined)
  const need = needs.flatMap((one) => one.needs).find(({ step }) => step !== undefined)
  // A danger that is mended in the program alone leaves nothing to be done first here.
  const first =
    mend !== undefined
      ? { words: mend.on === 'sheet' ? 'Mend the sheet' : 'Mend it', go: go(mend) }
      : dangers.length === 0 && need?.step !== undefined
        ? { words: `Go on with ${need.address}`, go: go({ on: 'step', step: need.step }) }
        : undefined
  return (
    <>
      {reading.operations.length === 0 ? (
        <Words as="lead" tone="wrong" strong role="alert">
          There is no move in it that can be followed. Is this the program?
        </Words>
      ) : (
        <Words
          as="lead"
          strong
          tone={dangers.length > 0 ? 'wrong' : judgements.length > 0 ? 'caution' : 'act'}
          role="status"
          testID="verdict"
        >
          {describeProgramVerdict(dangers.length, judgements.length)}
        </Words>
      )}
      {!fresh && first?.go && (
        <Button kind="act" onPress={first.go} testID="mend-first">
          {first.words}
        </Button>
      )}
      <View flexDirection={wide ? 'row' : 'column'} gap="$4" alignItems="flex-start">
        {judgements.length + reading.problems.length > 0 && (
          <Column width={wide ? '48%' : '100%'} gap="$3">
            <Words as="lead" strong role="heading" aria-level={2}>
              What to look at
            </Words>
            <JudgementList
              judgements={judgements}
              solution={solution}
              program={program}
              marked={marked}
              mendOf={(judgement) => go(mending(judgement))}
            />
            <ProblemList
              problems={reading.problems}
              leftOut={reading.leftOut}
              program={program}
              marked={marked}
            />
          </Column>
        )}
        <Column width={wide ? '48%' : '100%'} gap="$3">
          <Words as="lead" strong role="heading" aria-level={2}>
            What it needs, and what is there
          </Words>
          <NeedsList
            needs={needs}
            setup={setup}
            unit={reading.unit}
            onStep={toStep}
            onSheet={onSheet}
          />
        </Column>
      </View>
    </>
  )
}

/** Comments at its head are often the set-up sheet of who wrote it: beside the sheet's own fields. */
function HeaderNumbers({ setup, header }: { setup: LoadedSetup; header: readonly string[] }) {
  const { sheet } = setup.document
  if (header.length === 0) return null
  const { stock } = sheet
  return (
    <Card padded>
      <Words as="lead" strong role="heading" aria-level={2}>
        What its head says, beside the sheet
      </Words>
      {header.map((line, index) => (
        <Digits key={`${index} ${line}`} as="note">
          {line}
        </Digits>
      ))}
      <Words as="note">
        On the sheet: stock{' '}
        {stock === undefined
          ? 'not said'
          : `${stock.X.text} × ${stock.Y.text} × ${stock.Z.text} ${stock.Z.unit}`}
        ; zero: {sheet.zero}
        {sheet.holding &&
          `; jaws ${sheet.holding.jaw.text}, parallels ${sheet.holding.parallels.text} ${sheet.holding.jaw.unit}`}
      </Words>
    </Card>
  )
}
