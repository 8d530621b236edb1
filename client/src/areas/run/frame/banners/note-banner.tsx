import { useState } from 'react'
import { View } from '@tamagui/core'
import { openNotes } from '@pine/core/facts'
import type { Enter } from '@/data/outbox/fact-draft'
import { useSession } from '@/data/server/session'
import type { LoadedSetup } from '@/data/setup/standing'
import { Button } from '@/kit/button'
import { Field } from '@/kit/entry/field'
import { Column, Row } from '@/kit/surfaces'
import { momentWords } from '@/kit/when'
import { Words } from '@/kit/words'

interface NoteProps {
  readonly setup: LoadedSetup
  readonly enter: Enter
}

/** What the person before left to say: at whatever step, until somebody else has read it. */
export function NoteBanner({ setup, enter }: NoteProps) {
  const { person } = useSession()
  const [note] = openNotes(setup.document)
  if (note === undefined) return null
  const { text, by, at } = note
  return (
    <View
      role="note"
      aria-label="note"
      backgroundColor="$cautionPaper"
      borderColor="$caution"
      borderTopWidth={2}
      borderBottomWidth={2}
      paddingHorizontal="$3"
      paddingVertical="$1"
      testID="note"
    >
      <Row justifyContent="space-between" alignItems="center" gap="$2">
        <Column gap={0} flex={1}>
          <Words strong>{text}</Words>
          <Words as="note">
            {by.name}, {momentWords(at)}
          </Words>
        </Column>
        {person?.name !== by.name && (
          <Button
            kind="plain"
            onPress={() => void enter({ kind: 'note', body: { noteRead: note.id } })}
            testID="note-seen"
          >
            Read it
          </Button>
        )}
      </Row>
    </View>
  )
}

/** A few words to the next shift: what is odd today, what is still to come, where the key lies. */
export function NoteEntry({ enter, onClose }: Pick<NoteProps, 'enter'> & { onClose: () => void }) {
  const [text, setText] = useState('')
  const [submitted, setSubmitted] = useState(false)
  const leave = () => {
    const written = text.trim()
    if (written === '') return setSubmitted(true)
    void enter({ kind: 'note', body: { text: written } })
    onClose()
  }
  return (
    <Column gap="$3">
      <Words as="title">What should the next person know?</Words>
      <Field
        label="Note to the next shift"
        value={text}
        onChange={setText}
        problem={submitted && text.trim() === '' ? 'Type a few words.' : undefined}
        note="It stands above every step until somebody else has read it."
        testID="note-text"
      />
      <Button kind="act" onPress={leave} testID="note-left">
        Leave the note
      </Button>
    </Column>
  )
}
