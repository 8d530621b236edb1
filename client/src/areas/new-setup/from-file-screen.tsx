import { Link, useRouter } from 'expo-router'
import { useState } from 'react'
import type { SetupFilePreview } from '@pine/contract'
import type { SetupFile } from '@pine/core/facts'
import { programAgain, sheetFromFile } from '@pine/core/running'
import { shopMachineOf } from '@pine/core/sheet'
import { standingAsOf } from '@/areas/compare/compare-view'
import { fileFailureWords } from '@/data/server/api'
import { keepSetupFile, previewSetupFile } from '@/data/shop/setup-file'
import { useGauges, useMachines } from '@/data/shop/shop'
import { Button } from '@/kit/button'
import { FilePicker } from '@/kit/entry/file-picker'
import { usePress } from '@/kit/entry/use-press'
import { Page } from '@/kit/frame/page'
import { Section } from '@/kit/frame/section'
import { Problem } from '@/kit/problem'
import { Card, Column, Line, Row } from '@/kit/surfaces'
import { Digits, Words } from '@/kit/words'
import { fileProblems, fromFileView } from './from-file-view'
import { draftOf } from './sheet-draft'
import { SheetPages } from './sheet-pages'
import { useBegin } from './use-begin'

/** A file that was picked, and what the server understood of it. */
interface Picked {
  readonly picked: File
  readonly preview: SetupFilePreview
}

/** A set-up file from another shop, or from before: looked at, then set up again from it. */
export function FromFileScreen() {
  const [chosen, setChosen] = useState<Picked>()
  const [again, setAgain] = useState(false)
  const [problem, setProblem] = useState<string>()
  const look = async (picked: File) => {
    setProblem(undefined)
    await previewSetupFile(picked).then(
      (preview) => setChosen({ picked, preview }),
      (cause: unknown) => setProblem(fileFailureWords(cause)),
    )
  }
  const file = chosen?.preview.file as SetupFile | undefined
  if (chosen && file && again) return <SheetOfFile {...chosen} file={file} />
  return (
    <LookedAt
      chosen={chosen}
      file={file}
      problem={problem}
      onPick={(picked) => void look(picked)}
      onAgain={async () => {
        if (chosen === undefined) return
        // Kept before anything is begun: what it is held against must be there.
        await keepSetupFile(chosen.picked)
        setAgain(true)
      }}
    />
  )
}

interface LookedAtProps {
  readonly chosen: Picked | undefined
  readonly file: SetupFile | undefined
  readonly problem: string | undefined
  readonly onPick: (file: File) => void
  readonly onAgain: () => Promise<void>
}

function LookedAt({ chosen, file, problem, onPick, onAgain }: LookedAtProps) {
  const router = useRouter()
  const { all: machines = [] } = useMachines()
  const { gauges = [] } = useGauges()
  const { press, isBusy, failure } = usePress(onAgain)
  const sheet = file && standingAsOf(file).document.sheet
  const view =
    file && sheet && fromFileView(file, { machine: shopMachineOf(machines, sheet), gauges })
  return (
    <Page
      title={view?.title ?? 'From a set-up file'}
      foot={
        <>
          <Button kind="plain" onPress={() => router.replace('/')}>
            Back
          </Button>
          {view && (
            <Button kind="act" grow onPress={press} disabled={isBusy} testID="again-from-file">
              Set it up again
            </Button>
          )}
        </>
      }
    >
      {chosen === undefined && (
        <Words as="lead">
          The file that was saved as “The whole set-up”, here or in another shop, of any version.
          You see what is in it before anything is begun.
        </Words>
      )}
      {view && (
        <Column gap="$1">
          <Words as="note">{`${chosen?.preview.name} · ${view.about}`}</Words>
          <Words as="lead" role="status" testID="file-standing">
            {`${view.standing} Nothing of it counts here until you touch it again: its numbers are what you compare with.`}
          </Words>
        </Column>
      )}
      {chosen?.preview.isHere === true && file && (
        <Card padded>
          <Words>This very set-up is in the shop.</Words>
          <Link href={{ pathname: '/setups/[id]', params: { id: file.id } }}>
            <Words strong tone="act">
              Open it
            </Words>
          </Link>
        </Card>
      )}
      {view?.cautions.map((words) => (
        <Words key={words} tone="caution">
          {words}
        </Words>
      ))}
      <Problem words={problem ?? failure} />
      {chosen && !file && (
        <Section title={`${chosen.preview.name} cannot be read`}>
          <Card overflow="hidden" role="list" testID="file-problems">
            {fileProblems(chosen.preview).map((words, index) => (
              <Line
                key={`${index} ${words}`}
                first={index === 0}
                role="listitem"
                paddingVertical="$2"
              >
                <Words tone="wrong">{words}</Words>
              </Line>
            ))}
          </Card>
        </Section>
      )}
      {view && view.lines.length > 0 && (
        <Section title="What it held">
          <Card overflow="hidden" role="list" testID="file-numbers">
            {view.lines.map(({ name, value }, index) => (
              <Line key={name} first={index === 0} role="listitem" justifyContent="space-between">
                <Digits>{name}</Digits>
                <Digits as="lead">{value}</Digits>
              </Line>
            ))}
          </Card>
        </Section>
      )}
      <Row>
        <FilePicker
          kind={chosen === undefined ? 'act' : 'quiet'}
          onPick={onPick}
          testID="set-up-file"
        >
          {chosen === undefined ? 'Pick the file' : 'Pick another file'}
        </FilePicker>
      </Row>
    </Page>
  )
}

/** The sheet of the file, for the shop as it is today. */
function SheetOfFile({ file, preview: { name, sha256 } }: Picked & { readonly file: SetupFile }) {
  const { all: machines = [] } = useMachines()
  const { gauges = [] } = useGauges()
  const { document, solution } = standingAsOf(file)
  const begin = useBegin(programAgain(document))
  const machine = shopMachineOf(machines, document.sheet)
  const sheet = sheetFromFile(document, solution, { machine, gauges }, { file: name, sha256 })
  return (
    <SheetPages
      draftKey={`from-file:${sha256}`}
      initial={draftOf(sheet)}
      finish="Start measuring"
      onFinish={begin}
    />
  )
}
