import { Link, useRouter } from 'expo-router'
import { useState } from 'react'
import type { MachineHistory } from '@pine/contract'
import type { MachineDeclaration } from '@pine/core/sheet'
import { Allowed } from '@/areas/people/allowed'
import { askedFailureWords, failureWords } from '@/data/server/api'
import { useLastSetups } from '@/data/setup/last-setups'
import { useMachineHistory } from '@/data/shop/machine-history'
import { useMachines } from '@/data/shop/shop'
import { Button } from '@/kit/button'
import { Page } from '@/kit/frame/page'
import { Problem } from '@/kit/problem'
import { Section } from '@/kit/frame/section'
import { Card, Column, Line, Row } from '@/kit/surfaces'
import { WaitingPage } from '@/kit/frame/waiting-page'
import { Digits, Words } from '@/kit/words'
import {
  declaredLines,
  happenedLines,
  offsetLines,
  placeLines,
  screwLines,
  type ScrewLine,
} from './machine-view'
import { ReversalEntry } from './reversal-entry'
import { ReportSection } from './machine-report'

/** A machine over time: what its control holds, how its screws were found, what happened to it. */
export function MachineScreen({ id }: { readonly id: string }) {
  const router = useRouter()
  const { history, error } = useMachineHistory(id)
  const [testing, setTesting] = useState(false)
  const back = (
    <Button kind="plain" onPress={() => router.push('/shop')}>
      The shop
    </Button>
  )
  if (history === undefined)
    return (
      <WaitingPage
        title="A machine over time"
        waits="What is known of it is on its way."
        failure={error === undefined ? undefined : askedFailureWords(error)}
        foot={back}
      />
    )
  return (
    <Page
      title={history.machine.name}
      foot={
        <>
          {back}
          {!testing && (
            <Allowed to="enter">
              <Button grow kind="act" onPress={() => setTesting(true)} testID="test-screw">
                Test a screw
              </Button>
            </Allowed>
          )}
        </>
      }
    >
      {testing && <ReversalEntry id={id} onDone={() => setTesting(false)} />}
      <Offsets history={history} />
      <ReportSection id={id} />
      <Screws history={history} />
      <Places history={history} />
      <Stated
        title="What happened to it"
        lines={happenedLines(history)}
        none="Nothing that anybody said."
      />
      <OnPaper id={id} />
      <Stated title="How it was declared" lines={declaredLines(history)} none="Not yet." />
    </Page>
  )
}

/** What is in its changer, to be printed. */
function OnPaper({ id }: { readonly id: string }) {
  const print = (what: 'crib-list' | 'labels', paper: 'A4' | 'Letter') => () => {
    const zone = -new Date().getTimezoneOffset()
    window.open(`/api/machines/${id}/${what}.pdf?paper=${paper}&zone=${zone}`, '_blank')
  }
  return (
    <Section title="On paper">
      <Words as="note">
        What is in its changer, and labels for it (3 × 8 on A4, 3 × 10 on Letter).
      </Words>
      <Row flexWrap="wrap">
        {(['A4', 'Letter'] as const).flatMap((paper) => [
          <Button key={`crib ${paper}`} onPress={print('crib-list', paper)}>
            {`Crib list on ${paper}`}
          </Button>,
          <Button key={`labels ${paper}`} onPress={print('labels', paper)}>
            {`Labels on ${paper}`}
          </Button>,
        ])}
      </Row>
    </Section>
  )
}

function Offsets({ history }: { readonly history: MachineHistory }) {
  const lines = offsetLines(history)
  return (
    <Section title="What its control holds">
      {lines.length === 0 ? (
        <Words tone="soft">No set-up has keyed anything on it yet.</Words>
      ) : (
        <>
          <Card overflow="hidden" role="list" testID="offsets">
            {lines.map(({ address, value, how, setup, isSeen }, index) => (
              <Line key={address} apart first={index === 0} role="listitem" paddingVertical="$2">
                <Column gap={0} flexShrink={1}>
                  <Link href={{ pathname: '/setups/[id]', params: { id: setup } }} asChild>
                    <Words strong tone="act" paddingVertical={10} marginVertical={-10}>
                      {address}
                    </Words>
                  </Link>
                  <Words as="note">{how}</Words>
                </Column>
                <Digits as="lead" tone={isSeen ? 'ink' : 'soft'} flexShrink={0}>
                  {value}
                </Digits>
              </Line>
            ))}
          </Card>
          <Words as="note">
            As it was last shown or typed in a set-up here. What somebody keyed without one is not
            known: look at the control before you rely on a row.
          </Words>
        </>
      )}
    </Section>
  )
}

/** A set-up's numbers tell where jaw, stop and plane stand; what is bolted down was declared. */
function Places({ history: { id, machine } }: { readonly history: MachineHistory }) {
  const last = useLastSetups([{ id }])[id]
  const lines = placeLines(machine as MachineDeclaration, last)
  if (lines.length === 0) return null
  return (
    <Section title="What stands on it">
      <Card overflow="hidden" role="list" testID="places">
        {lines.map(({ name, text }, index) => (
          <Line key={name} first={index === 0} role="listitem" paddingVertical="$2">
            <Words flex={1}>
              <Words strong>{name}</Words>: {text}
            </Words>
          </Line>
        ))}
      </Card>
    </Section>
  )
}

function Screws({ history }: { readonly history: MachineHistory }) {
  return (
    <Section title="Backlash of its screws">
      <Card overflow="hidden" role="list" testID="screws">
        {screwLines(history).map((screw, index) => (
          <Line key={screw.axis} first={index === 0} role="listitem" paddingVertical="$2">
            <Screw screw={screw} history={history} />
          </Line>
        ))}
      </Card>
    </Section>
  )
}

function Screw({
  screw: { axis, counts, tested, takesOver },
  history: { id },
}: {
  readonly screw: ScrewLine
  readonly history: MachineHistory
}) {
  const { change } = useMachines()
  const { again } = useMachineHistory(id)
  const [failure, setFailure] = useState<string>()
  const take = ({ machine, reason }: NonNullable<ScrewLine['takesOver']>) =>
    void change(id, machine, { reason })
      .then(again)
      .catch((cause: unknown) => setFailure(failureWords(cause)))
  return (
    <Column gap="$1" flex={1}>
      <Words>
        <Words strong>{axis}</Words> {counts}
      </Words>
      {tested !== undefined && <Words as="note">{tested}</Words>}
      {takesOver && (
        <Allowed to="declare">
          <Button onPress={() => take(takesOver)} testID={`count-${axis}`}>
            {takesOver.text}
          </Button>
        </Allowed>
      )}
      <Problem words={failure} />
    </Column>
  )
}

function Stated({
  title,
  lines,
  none,
}: {
  readonly title: string
  readonly lines: readonly { readonly what: string; readonly about: string }[]
  readonly none: string
}) {
  return (
    <Section title={title}>
      {lines.length === 0 ? (
        <Words tone="soft">{none}</Words>
      ) : (
        <Card overflow="hidden" role="list" aria-label={title}>
          {lines.map(({ what, about }, index) => (
            <Line key={`${about}${what}`} first={index === 0} role="listitem" paddingVertical="$2">
              <Column gap={0} flexShrink={1}>
                <Words>{what}</Words>
                <Words as="note">{about}</Words>
              </Column>
            </Line>
          ))}
        </Card>
      )}
    </Section>
  )
}
