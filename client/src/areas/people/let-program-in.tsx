import { format } from 'date-fns/format'
import { useState } from 'react'
import { ROLE_WORDS, type NewToken, type ShownToken } from '@pine/contract'
import { Button } from '@/kit/button'
import { Choice } from '@/kit/entry/choice'
import { Field } from '@/kit/entry/field'
import { usePress } from '@/kit/entry/use-press'
import { Problem } from '@/kit/problem'
import { Card, Row } from '@/kit/surfaces'
import { Digits, Words } from '@/kit/words'
import { TOKEN_DAYS } from './people-view'

const ROLES = (['viewer', 'setter'] as const).map((value) => ({
  value,
  label: value === 'viewer' ? 'reads' : 'reads and enters',
}))

/** A token for a program that reads or enters here: shown once, to be copied into its settings. */
export function LetProgramIn({
  makeToken,
}: {
  readonly makeToken: (program: Omit<NewToken, 'id'>) => Promise<ShownToken>
}) {
  const [isOpen, setOpen] = useState(false)
  const [name, setName] = useState('')
  const [role, setRole] = useState<NewToken['role']>('viewer')
  const [days, setDays] = useState<(typeof TOKEN_DAYS)[number]['value']>('90')
  const [shown, setShown] = useState<ShownToken>()
  const make = usePress(async () => setShown(await makeToken({ name, role, days: Number(days) })))
  if (shown)
    return (
      <Card padded tone="read">
        <Words as="note">
          {shown.name}, a {ROLE_WORDS[shown.role].name} until{' '}
          {format(new Date(shown.expiresAt), 'd MMM yyyy')}
        </Words>
        <Digits selectable testID="token" style={{ overflowWrap: 'anywhere' }}>
          {shown.token}
        </Digits>
        <Words>
          Copy it into the program now: it is not shown again. The program sends it with every
          request, as “Authorization: Bearer …”. /api/openapi.json describes what can be asked.
        </Words>
        <Button
          onPress={() => {
            setShown(undefined)
            setOpen(false)
            setName('')
          }}
        >
          Done
        </Button>
      </Card>
    )
  if (!isOpen)
    return (
      <Row>
        <Button kind="plain" onPress={() => setOpen(true)}>
          Let a program in
        </Button>
      </Row>
    )
  return (
    <Card padded gap="$3">
      <Words as="lead" strong>
        Let a program in
      </Words>
      <Field
        label="Name, shown on what it enters"
        value={name}
        onChange={setName}
        testID="program-name"
      />
      <Choice label="What it does" options={ROLES} value={role} onChange={setRole} />
      <Choice label="Good for" options={TOKEN_DAYS} value={days} onChange={setDays} />
      <Problem words={make.failure} />
      <Row>
        <Button kind="plain" onPress={() => setOpen(false)}>
          Leave it
        </Button>
        <Button kind="act" grow onPress={make.press}>
          Show a token
        </Button>
      </Row>
    </Card>
  )
}
