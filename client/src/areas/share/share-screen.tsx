import { useState } from 'react'
import type { SetupFile } from '@pine/core/facts'
import { underForms } from '@pine/core/offset-text'
import { shopMachineOf, type MachineDeclaration } from '@pine/core/sheet'
import { exportSetup, fileHash, type PictureExport, type TextExport } from '@pine/formats/exports'
import { momentOnPaper } from '@pine/formats/moment'
import { OpenedSetup } from '@/areas/run/frame/opened-setup'
import { useMachines } from '@/data/shop/shop'
import { fileFailureWords } from '@/data/server/api'
import { useReached } from '@/data/server/connection'
import { useSession } from '@/data/server/session'
import { isOfStream } from '@/data/outbox/outbox-entry'
import { useOutbox } from '@/data/outbox/outbox-store'
import { useSetupFile } from '@/data/setup/one-setup'
import type { LoadedSetup } from '@/data/setup/standing'
import { Button } from '@/kit/button'
import { Caution } from '@/kit/caution'
import { Choice } from '@/kit/entry/choice'
import { Page } from '@/kit/frame/page'
import { Section } from '@/kit/frame/section'
import { Card, Column, Line, Row } from '@/kit/surfaces'
import { Words } from '@/kit/words'
import { BackToStep } from './back-to-step'
import { handOverFile, type FileToHand } from './hand-over-file'
import { pictureOf } from './picture-of'
import { isFinal, OFFERED_FILES, OFFERED_PICTURES, programOffer } from './share-view'

/** What of a set-up can leave: on paper, as a program for the control, as tables and drawings. */
export function ShareScreen({ id }: { readonly id: string }) {
  const file = useSetupFile(id)
  return (
    <OpenedSetup id={id}>
      {(setup) => (file === undefined ? null : <Share id={id} setup={setup} file={file} />)}
    </OpenedSetup>
  )
}

interface ShareProps {
  readonly id: string
  readonly setup: LoadedSetup
  readonly file: SetupFile
}

function Share({ id, setup: asWritten, file }: ShareProps) {
  const { person } = useSession()
  const reached = useReached()
  const [unproven, setUnproven] = useState<'left-out' | 'marked'>('left-out')
  const [done, setDone] = useState<string>()
  const { all: machines } = useMachines()
  const shop = shopMachineOf(machines ?? [], asWritten.document.sheet)?.machine
  const setup = {
    ...asWritten,
    document: underForms(asWritten.document, shop as MachineDeclaration | undefined),
  }
  const { document, solution } = setup
  const waiting = useOutbox().filter(isOfStream('setup', id)).length
  const zone = -new Date().getTimezoneOffset()
  const hand = async (what: TextExport) => {
    const made = exportSetup(
      what,
      { document, solution, file },
      {
        ...{ unproven, by: person?.name ?? '', hash: fileHash(file) },
        at: momentOnPaper(new Date().toISOString(), zone),
      },
    )
    await give({ ...made, content: made.text })
  }
  const give = async (made: FileToHand) => {
    const outcome = await handOverFile(made)
    setDone(outcome === 'stopped' ? undefined : `${made.name} was ${outcome}.`)
  }
  const handPicture = async (what: PictureExport) => {
    try {
      await give(await pictureOf(id, what))
    } catch (cause) {
      setDone(fileFailureWords(cause))
    }
  }
  return (
    <Page title={`Share ${document.sheet.name}`} foot={<BackToStep id={id} />}>
      {!isFinal(setup) && (
        <Words as="note">
          Not released yet: what you hand out now may still change, and says so.
        </Words>
      )}
      {done !== undefined && (
        <Words role="status" testID="shared">
          {done}
        </Words>
      )}
      <Section title="Set-up sheet on paper">
        <Row flexWrap="wrap">
          {(['A4', 'Letter'] as const).map((paper, index) => (
            <Button
              key={paper}
              kind={index === 0 ? 'act' : 'quiet'}
              testID={`sheet-${paper}`}
              disabled={!reached}
              onPress={() =>
                void window.open(
                  `/api/setups/${id}/set-up-sheet.pdf?paper=${paper}&zone=${zone}`,
                  '_blank',
                )
              }
            >
              {`Print on ${paper}`}
            </Button>
          ))}
          <Button
            kind="quiet"
            testID="sheet-page"
            disabled={!reached}
            onPress={() =>
              void window.open(`/api/setups/${id}/set-up-sheet.html?zone=${zone}`, '_blank')
            }
          >
            Print view
          </Button>
        </Row>
        {waiting > 0 && (
          <Words role="status" tone="caution" testID="sheet-lacks">
            {`${waiting} ${waiting === 1 ? 'entry is' : 'entries are'} not with the server yet: the sheet lacks ${waiting === 1 ? 'it' : 'them'}.`}
          </Words>
        )}
        <Words as="note" testID="sheet-note">
          {reached
            ? 'From the server, as a PDF or as a page for your browser: drawings, offsets, tools, gauges, blanks to sign.'
            : 'The sheet comes from the server: print it once there is a connection.'}
        </Words>
      </Section>
      <ProgramSection
        setup={setup}
        unproven={unproven}
        onUnproven={setUnproven}
        onHand={() => void hand('offset-program')}
      />
      <Section title="Tables, drawings, the file">
        <Card overflow="hidden" role="list">
          {OFFERED_FILES.map(({ what, name, kind }, index) => (
            <Line key={what} first={index === 0} apart role="listitem">
              <Words flexShrink={1}>
                {name} <Words as="note">{kind}</Words>
              </Words>
              <Button
                kind="plain"
                label={`share ${name}`}
                testID={`share-${what}`}
                onPress={() => void hand(what)}
              >
                Share
              </Button>
            </Line>
          ))}
          {OFFERED_PICTURES.map(({ what, name }) => (
            <Line key={what} apart role="listitem">
              <Words flexShrink={1}>
                {name} <Words as="note">PNG</Words>
              </Words>
              <Button
                kind="plain"
                label={`share ${name} as a picture`}
                testID={`share-${what}`}
                disabled={!reached}
                onPress={() => void handPicture(what)}
              >
                Share
              </Button>
            </Line>
          ))}
        </Card>
      </Section>
    </Page>
  )
}

/** The offsets as a program, where the control takes one. */
function ProgramSection({
  setup,
  unproven,
  onUnproven,
  onHand,
}: {
  readonly setup: LoadedSetup
  readonly unproven: 'left-out' | 'marked'
  readonly onUnproven: (unproven: 'left-out' | 'marked') => void
  readonly onHand: () => void
}) {
  const { isTaken, writes, leftOut, caution } = programOffer(setup, unproven)
  return (
    <Section title="Offsets as a program">
      {isTaken ? (
        <Column gap="$3">
          <Choice
            label="Numbers that nobody has proven"
            options={[
              { value: 'left-out', label: 'left out' },
              { value: 'marked', label: 'in it, marked' },
            ]}
            value={unproven}
            onChange={onUnproven}
          />
          <Words testID="program-writes">{writes}</Words>
          {leftOut.length > 0 && (
            <Column gap={0}>
              <Words as="note" strong>
                Left out
              </Words>
              {leftOut.map((line) => (
                <Words key={line} as="note">
                  {line}
                </Words>
              ))}
            </Column>
          )}
          <Caution>{caution}</Caution>
          <Row>
            <Button onPress={onHand} testID="share-offset-program">
              Share the program
            </Button>
          </Row>
        </Column>
      ) : (
        <Words as="note">
          The control of {setup.document.sheet.machine.name} is not declared to take G10. A lead
          says so on the shop’s page: Change machine, then Correct.
        </Words>
      )}
    </Section>
  )
}
