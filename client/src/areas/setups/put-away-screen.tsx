import { Link } from 'expo-router'
import { useState } from 'react'
import { View } from '@tamagui/core'
import type { SetupSummary } from '@pine/contract'
import { Allowed } from '@/areas/people/allowed'
import { askedFailureWords, failureWords } from '@/data/server/api'
import { putAwayOrBack, useSetups } from '@/data/setup/setups'
import { Button } from '@/kit/button'
import { Field } from '@/kit/entry/field'
import { Page } from '@/kit/frame/page'
import { Problem } from '@/kit/problem'
import { Card, Column, Line } from '@/kit/surfaces'
import { dayWords } from '@/kit/when'
import { Words } from '@/kit/words'
import { found, needsFinding, progressWords } from './list-view'
import { MoreButton } from './more-button'

/** Keeps the list to what is worked on: set-ups go out of it, and come back. */
export function PutAwayScreen() {
  const [sought, setSought] = useState('')
  const listed = useSetups({ find: sought })
  const away = useSetups({ find: sought, away: '1' })
  const [problem, setProblem] = useState<string>()
  const [moving, setMoving] = useState<string>()
  const move = async (id: string, moves: 'away' | 'back') => {
    setMoving(id)
    setProblem(await putAwayOrBack(id, moves).then(() => undefined, failureWords))
    setMoving(undefined)
  }
  const group = (
    title: string,
    { page, of, moves }: { page: typeof listed; of: string; moves: 'away' | 'back' },
    shown = found(page.setups ?? [], sought),
  ) => (
    <Column>
      <Words as="title" role="heading" aria-level={2}>
        {title}
      </Words>
      {shown.length === 0 ? (
        <Words tone="soft">None.</Words>
      ) : (
        <Card overflow="hidden" role="list">
          {shown.map((setup, index) => (
            <SetupLine
              key={setup.id}
              setup={setup}
              first={index === 0}
              moves={moves}
              moving={moving === setup.id}
              onMove={() => void move(setup.id, moves)}
            />
          ))}
        </Card>
      )}
      <MoreButton page={page} of={of} testID={`more-${moves}`} />
    </Column>
  )
  const failed =
    problem ?? (listed.error === undefined ? undefined : askedFailureWords(listed.error))
  return (
    <Page title="Put away">
      <Words tone="soft">
        What is put away is out of the list, and nothing of it is lost. Whatever is entered into it
        later brings it back.
      </Words>
      <Allowed to="put-away" otherwise="A lead puts set-ups away and takes them out again." />
      <Problem words={failed} />
      {(sought !== '' || needsFinding(listed.total + away.total)) && (
        <Field
          label="Find by job, machine or person"
          value={sought}
          onChange={setSought}
          testID="find"
        />
      )}
      {listed.setups && group('In the list', { page: listed, of: 'in the list', moves: 'away' })}
      {away.setups && group('Put away', { page: away, of: 'put away', moves: 'back' })}
    </Page>
  )
}

function SetupLine({
  setup,
  first,
  moves,
  moving,
  onMove,
}: {
  readonly setup: SetupSummary
  readonly first: boolean
  readonly moves: 'away' | 'back'
  readonly moving: boolean
  readonly onMove: () => void
}) {
  const { id, name, machine, away } = setup
  const does = moves === 'away' ? 'Put away' : 'Take out'
  return (
    <Line first={first} role="listitem" apart gap="$3" paddingVertical="$2">
      <Link href={{ pathname: '/setups/[id]', params: { id } }} asChild>
        <View render="a" flex={1} minWidth={0}>
          <Words as="lead" strong>
            {name}
          </Words>
          <Words as="note">
            {machine} · {progressWords(setup)}
          </Words>
          {away && (
            <Words as="note">
              by {away.by}, {dayWords(away.at)}
            </Words>
          )}
        </View>
      </Link>
      <Allowed to="put-away">
        <Button onPress={onMove} disabled={moving} label={`${does}: ${name}`}>
          {does}
        </Button>
      </Allowed>
    </Line>
  )
}
