import { useState } from 'react'
import type { SetupSheet } from '@pine/core/sheet'
import { v7 as uuid } from 'uuid'
import { useDraft } from '@/data/device/drafts'
import { usePockets } from '@/data/shop/tools'
import type { ReportedProblem } from '@pine/contract'
import { Button } from '@/kit/button'
import { usePress } from '@/kit/entry/use-press'
import { Page } from '@/kit/frame/page'
import { Words } from '@/kit/words'
import { unansweredTools, withAssemblies } from './tools/assemblies'
import { JobPage } from './job-page'
import { PartPage } from './part-page'
import { finish, type SheetDraft } from './sheet-draft'

/** The sheet in two pages, and which places of it each one fills. */
const PAGES = [
  {
    title: 'Which machine, which job?',
    Body: JobPage,
    places: /^(name|machine|unit|school|plane|gauges|reference|tools|keying)/,
  },
  {
    title: 'The part, and where its zero is',
    Body: PartPage,
    places: /^(stock|zero|holding|offsets)/,
  },
] as const

/** What the wizard keeps on this device until the sheet is done. */
export interface SheetPagesDraft {
  readonly page: number
  readonly sheet: SheetDraft
}

export interface SheetPagesProps {
  /** Where the half-written sheet is kept. */
  readonly draftKey: string
  readonly initial: SheetDraft
  /** What the last page's button says. */
  readonly finish: string
  /** Takes the finished sheet; the draft is cleared once it is taken. */
  readonly onFinish: (sheet: SetupSheet) => Promise<void>
}

/** A sheet, page by page. Half-written pages survive a reload. */
export function SheetPages({ draftKey, initial, finish: lastWord, onFinish }: SheetPagesProps) {
  const {
    value: draft,
    set,
    clear,
    started,
  } = useDraft<SheetPagesDraft>(draftKey, { page: 0, sheet: initial })
  const [left, setLeft] = useState(false)
  const page = PAGES[draft.page] ?? PAGES[0]
  const pockets = usePockets(draft.sheet.machineId)
  const { sheet, problems } = finish(draft.sheet)
  const here = problems.filter(({ place }) => page.places.test(place))
  const isLast = draft.page === PAGES.length - 1

  const turnTo = (next: number) => {
    setLeft(false)
    set({ ...draft, page: next })
  }
  const unanswered = draft.page === 0 ? unansweredTools(draft.sheet.tools, pockets) : []
  const goOn = usePress(async () => {
    if (here.length + unanswered.length > 0) return setLeft(true)
    if (!isLast) return turnTo(draft.page + 1)
    if (sheet === undefined)
      return turnTo(
        PAGES.findIndex(({ places }) => problems.some(({ place }) => places.test(place))),
      )
    await onFinish(withAssemblies(sheet, pockets, uuid))
    clear()
  })

  return (
    <Page
      // Another page begins at its top, wherever the one before was left.
      key={draft.page}
      title={page.title}
      foot={
        <>
          {draft.page > 0 && <Button onPress={() => turnTo(draft.page - 1)}>Back</Button>}
          {started && draft.page === 0 && <Button onPress={clear}>Start over</Button>}
          <Button kind="act" grow onPress={goOn.press} testID="go-on">
            {isLast ? lastWord : 'Next'}
          </Button>
        </>
      }
    >
      <Words as="note">
        page {draft.page + 1} of {PAGES.length}
        {started ? ' · kept on this device' : ''}
      </Words>
      <page.Body
        draft={draft.sheet}
        change={(next) => set({ ...draft, sheet: next })}
        problem={(place) => {
          const found = left ? here.find((one) => one.place === place) : undefined
          return found && fieldWords(found)
        }}
      />
      {left && here.length > 0 && (
        <Words tone="wrong" role="alert">
          {here.length === 1 ? 'One thing' : `${here.length} things`} on this page still to mend.
        </Words>
      )}
      {left && unanswered.length > 0 && (
        <Words tone="wrong" role="alert">
          {`Same tool as last time? Say so for ${unanswered.map(({ number }) => `T${number}`).join(', ')}.`}
        </Words>
      )}
      {goOn.failure !== undefined && (
        <Words tone="wrong" role="alert">
          {goOn.failure}
        </Words>
      )}
    </Page>
  )
}

/** What is wrong with a field, said beside it: where it stands is seen, and its name in the file is none of a machinist's business. */
const fieldWords = ({ code, message, expected, remedy }: ReportedProblem): string =>
  code.startsWith('shape-') ? `Needed here: ${expected}.` : `${message} ${remedy}`
