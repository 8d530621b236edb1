import { useState } from 'react'
import { ROLE_WORDS, roleSchema, type MemberHistory, type Role } from '@pine/contract'
import { failureWords } from '@/data/server/api'
import { Button } from '@/kit/button'
import { Choice } from '@/kit/entry/choice'
import { usePress } from '@/kit/entry/use-press'
import { Problem } from '@/kit/problem'
import { Card, Column, Row } from '@/kit/surfaces'
import { momentWords } from '@/kit/when'
import { Words } from '@/kit/words'
import { NewPin } from './new-pin'
import { changesInWords, memberState } from './people-view'

const ROLES = roleSchema.options.map((value) => ({ value, label: ROLE_WORDS[value].name }))

export interface MemberCardProps {
  readonly member: MemberHistory
  readonly isOwn: boolean
  readonly setRole: (id: string, role: Role) => Promise<void>
  readonly newPin: (id: string, pin: string) => Promise<void>
  readonly leave: (id: string) => Promise<void>
  readonly takeBack: (id: string) => Promise<void>
}

/** One person: what they are, and what a lead can do about it. */
export function MemberCard(props: MemberCardProps) {
  const { member, isOwn } = props
  const [open, setOpen] = useState(false)
  const gone = member.leftAt !== null
  return (
    <Card padded>
      <Row justifyContent="space-between">
        <Column gap={0} flexShrink={1}>
          <Words as="lead" strong tone={gone ? 'soft' : 'ink'}>
            {member.name}
          </Words>
          <Words as="note">
            {memberState(member)}
            {isOwn && ' · that is you'}
          </Words>
        </Column>
        <Button
          kind="plain"
          label={`${open ? 'close' : 'change'} ${member.name}`}
          onPress={() => setOpen(!open)}
        >
          {open ? 'Close' : 'Change'}
        </Button>
      </Row>
      {open && <Place {...props} />}
    </Card>
  )
}

function Place(props: MemberCardProps) {
  return props.member.program === undefined ? (
    <PersonPlace {...props} />
  ) : (
    <ProgramPlace {...props} />
  )
}

function PersonPlace({ member, setRole, newPin, leave, takeBack }: MemberCardProps) {
  const [problem, setProblem] = useState<string>()
  const [changingPin, setChangingPin] = useState(false)
  const { id, name, role, leftAt } = member
  const trying = async (change: Promise<void>) => {
    try {
      await change
      setProblem(undefined)
    } catch (cause) {
      setProblem(failureWords(cause))
    }
  }
  return (
    <Column gap="$3">
      <Problem words={problem} />
      {leftAt === null ? (
        <>
          <Choice
            label={`${name} is a …`}
            options={ROLES}
            value={role}
            onChange={(next) => void trying(setRole(id, next))}
            note={`A ${ROLE_WORDS[role].name} ${ROLE_WORDS[role].is}.`}
          />
          {changingPin ? (
            <NewPin give={(pin) => newPin(id, pin)} onDone={() => setChangingPin(false)} />
          ) : (
            <Row flexWrap="wrap">
              <Button onPress={() => setChangingPin(true)}>New PIN</Button>
              <Button kind="wrong" onPress={() => void trying(leave(id))}>
                Works here no more
              </Button>
            </Row>
          )}
        </>
      ) : (
        <Button onPress={() => void trying(takeBack(id))}>Take back</Button>
      )}
      <Changes member={member} />
    </Column>
  )
}

/** A program: what it may do follows from its token, which is ended or stays. */
function ProgramPlace({ member, leave }: MemberCardProps) {
  const end = usePress(() => leave(member.id))
  return (
    <Column gap="$3">
      <Problem words={end.failure} />
      {member.leftAt === null && (
        <Button kind="wrong" onPress={end.press} label={`end the token of ${member.name}`}>
          End its token
        </Button>
      )}
      <Changes member={member} />
    </Column>
  )
}

const Changes = ({ member }: Pick<MemberCardProps, 'member'>) => (
  <Column gap={0}>
    {changesInWords(member).map(({ words, at }) => (
      <Words key={at} as="note">
        {momentWords(at)} · {words}
      </Words>
    ))}
  </Column>
)
