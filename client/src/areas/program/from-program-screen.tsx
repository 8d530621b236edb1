import { useRouter } from 'expo-router'
import { sheetFromProgram, type SheetFromProgram } from '@pine/core/running'
import type { NewFact } from '@pine/contract'
import { emptyDraft, withProgram } from '@/areas/new-setup/sheet-draft'
import type { SheetPagesDraft } from '@/areas/new-setup/sheet-pages'
import { useDraft } from '@/data/device/drafts'
import type { ProgramFile } from '@/data/program/program-file'
import { keepProgramText } from '@/data/program/program-text'
import { Page } from '@/kit/frame/page'
import { sizeText } from '@/kit/size-text'
import { Card, Column } from '@/kit/surfaces'
import { Digits, Words } from '@/kit/words'
import { Decide, PickProgramPage } from './pick-program'
import { useProgramFile } from './use-program-file'

/** What is kept of the program until the set-up is there to take it. */
export type PendingProgram = Extract<NewFact, { kind: 'program' }>['body']

/** A set-up that begins with its program: tools, registers and offsets are filled in from it. */
export function FromProgramScreen() {
  const router = useRouter()
  const program = useProgramFile()
  const { state } = program
  const sheet = useDraft<SheetPagesDraft>('new-setup', { page: 0, sheet: emptyDraft() })
  const pending = useDraft<PendingProgram | undefined>('new-setup-program', undefined)
  const file = state.is === 'read' ? state.file : undefined
  const found = file && sheetFromProgram(file.reading)
  if (file === undefined || found === undefined)
    return (
      <PickProgramPage
        title="Which program will run?"
        why="Its tools, H, D and work offsets are filled into the sheet. What it cannot say (stock, zero, how it is held) you add."
        program={program}
      />
    )
  const fill = () => {
    const { name, bytes, sha256, reading, blob } = file
    void keepProgramText(blob, sha256)
    sheet.set({ page: 0, sheet: withProgram(sheet.value.sheet, found, name) })
    pending.set({ name, bytes, sha256, reading })
    router.push('/setups/new')
  }
  return (
    <Page
      title={`${file.name} was read.`}
      foot={
        <Decide
          onTake={found.tools.length > 0 ? fill : undefined}
          onDrop={program.drop}
          take="Fill the sheet"
          testID="fill-sheet"
        />
      }
    >
      {sheet.started && (
        <Words tone="caution">
          A sheet is half written
          {sheet.value.sheet.name === '' ? '' : ` (${sheet.value.sheet.name})`}: its tools and
          offsets give way to the program’s, all else in it stays.
        </Words>
      )}
      <Found file={file} found={found} />
    </Page>
  )
}

function Found({ file, found }: { file: ProgramFile; found: SheetFromProgram }) {
  const { reading } = file
  return (
    <Column gap="$3">
      <Digits as="note">
        {reading.lines} lines, {sizeText(file.bytes)}
      </Digits>
      {found.tools.length === 0 && (
        <Words as="lead" tone="wrong" strong role="alert">
          No tool is called in it. Is this the program?
        </Words>
      )}
      {reading.unit === undefined && (
        <Words tone="caution">It sets no unit: look which one its numbers are in.</Words>
      )}
      <Card padded>
        {found.tools.map((tool) => (
          <Digits key={tool.number}>
            T{tool.number} H{tool.lengthRegister}
            {tool.diameterRegister === undefined ? '' : ` D${tool.diameterRegister}`} {tool.name}
          </Digits>
        ))}
        <Digits>{found.rows.join(' ')}</Digits>
        {found.otherRows.length > 0 && (
          <Words tone="caution">
            It uses {found.otherRows.join(', ')} as well: a sheet has no such row yet. Set it by
            hand, and prove it.
          </Words>
        )}
      </Card>
      {reading.header.length > 0 && (
        <Card padded>
          <Words as="lead" strong role="heading" aria-level={2}>
            What its head says
          </Words>
          {reading.header.map((line, index) => (
            <Digits key={`${index} ${line}`} as="note">
              {line}
            </Digits>
          ))}
        </Card>
      )}
    </Column>
  )
}
