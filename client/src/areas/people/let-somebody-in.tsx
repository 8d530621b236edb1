import { format } from 'date-fns/format'
import { useState } from 'react'
import { ROLE_WORDS, roleSchema, type Role, type ShownJoinCode } from '@pine/contract'
import { failureWords } from '@/data/server/api'
import { Button } from '@/kit/button'
import { Choice } from '@/kit/entry/choice'
import { Problem } from '@/kit/problem'
import { Card, Row } from '@/kit/surfaces'
import { Digits, Words } from '@/kit/words'
import { spaced } from './people-view'

const ROLES = roleSchema.options.map((value) => ({ value, label: ROLE_WORDS[value].name }))

/** A code that lets one person in: shown large, to be typed on their device. */
export function LetSomebodyIn({
  makeCode,
}: {
  readonly makeCode: (role: Role) => Promise<ShownJoinCode>
}) {
  const [role, setRole] = useState<Role>()
  const [shown, setShown] = useState<ShownJoinCode>()
  const [problem, setProblem] = useState<string>()
  const make = async (as: Role) => {
    try {
      setShown(await makeCode(as))
      setProblem(undefined)
    } catch (cause) {
      setProblem(failureWords(cause))
    }
  }
  if (shown)
    return (
      <Card padded tone="read">
        <Words as="note">To come in as a {ROLE_WORDS[shown.role].name}</Words>
        <Digits as="reading" selectable testID="join-code">
          {spaced(shown.code)}
        </Digits>
        <Words>
          They pick “I am not in this list” on their device and type it. It lets one person in,
          until {format(new Date(shown.expiresAt), 'HH:mm')}, and is not shown again.
        </Words>
        <Button onPress={() => setShown(undefined)}>Done</Button>
      </Card>
    )
  return (
    <Card padded gap="$3">
      <Words as="lead" strong>
        Let somebody in
      </Words>
      <Choice
        label="As a …"
        options={ROLES}
        value={role}
        onChange={setRole}
        {...(role && { note: `A ${ROLE_WORDS[role].name} ${ROLE_WORDS[role].is}.` })}
      />
      <Problem words={problem} />
      {role && (
        <Row>
          <Button kind="act" grow onPress={() => void make(role)}>
            Show a code
          </Button>
        </Row>
      )}
    </Card>
  )
}
