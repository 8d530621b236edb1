import { useState } from 'react'
import { describeHandOver, handOverText, type HandOverPart } from '@pine/core/words'
import { NoteEntry } from '@/areas/run/frame/banners/note-banner'
import { OpenedSetup } from '@/areas/run/frame/opened-setup'
import type { Enter } from '@/data/outbox/fact-draft'
import { useMay } from '@/data/server/session'
import type { LoadedSetup } from '@/data/setup/standing'
import { Button } from '@/kit/button'
import { Overlay } from '@/kit/frame/overlay'
import { Page } from '@/kit/frame/page'
import { Card, Column } from '@/kit/surfaces'
import { Words } from '@/kit/words'
import { BackToStep } from './back-to-step'

/** What the next person has to know, on one screen and as text. */
export function HandOverScreen({ id }: { readonly id: string }) {
  return (
    <OpenedSetup id={id}>
      {(setup, enter) => <HandOver id={id} setup={setup} enter={enter} />}
    </OpenedSetup>
  )
}

function HandOver({
  id,
  setup: { document, solution, steps },
  enter,
}: {
  readonly id: string
  readonly setup: LoadedSetup
  readonly enter: Enter
}) {
  const mayEnter = useMay('enter')
  const [noting, setNoting] = useState(false)
  const [copied, setCopied] = useState<string>()
  const parts = describeHandOver(document, solution, steps)
  const copy = () =>
    navigator.clipboard.writeText(handOverText(document, parts)).then(
      () => setCopied('Copied: paste it where the next shift reads it.'),
      () => setCopied('This browser does not let a page copy. Select the words and copy them.'),
    )
  return (
    <Page
      title={`Hand over ${document.sheet.name}`}
      foot={
        <>
          <BackToStep id={id} />
          <Button kind="act" grow onPress={() => void copy()} testID="copy-hand-over">
            Copy as text
          </Button>
        </>
      }
    >
      {copied !== undefined && (
        <Words role="status" as="note" testID="copied">
          {copied}
        </Words>
      )}
      {parts.map((part) => (
        <Part key={part.asks} part={part} />
      ))}
      {mayEnter && (
        <Button onPress={() => setNoting(true)} testID="leave-note">
          Note to the next shift
        </Button>
      )}
      {noting && (
        <Overlay onClose={() => setNoting(false)}>
          <NoteEntry enter={enter} onClose={() => setNoting(false)} />
        </Overlay>
      )}
    </Page>
  )
}

function Part({ part: { asks, lines, isDanger } }: { readonly part: HandOverPart }) {
  return (
    <Card padded gap="$1" tone={isDanger ? 'wrong' : 'plain'} role={isDanger ? 'alert' : undefined}>
      <Words as="lead" strong tone={isDanger ? 'wrong' : 'ink'} role="heading" aria-level={2}>
        {asks}
      </Words>
      <Column gap={2} role="list">
        {lines.map((line) => (
          <Words key={line} role="listitem" strong={isDanger}>
            {line}
          </Words>
        ))}
      </Column>
    </Card>
  )
}
