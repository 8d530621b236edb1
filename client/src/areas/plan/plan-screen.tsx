import { useRouter } from 'expo-router'
import { lazy, Suspense, useState } from 'react'
import type { TouchPlanAnswer } from '@pine/contract'
import { OpenedSetup } from '@/areas/run/frame/opened-setup'
import { askedFailureWords, failureWords } from '@/data/server/api'
import { changeSheet } from '@/data/setup/change-sheet'
import { useMay } from '@/data/server/session'
import type { Enter } from '@/data/outbox/fact-draft'
import type { LoadedSetup } from '@/data/setup/standing'
import { useTouchPlan } from '@/data/setup/touch-plan'
import { Button } from '@/kit/button'
import { Page } from '@/kit/frame/page'
import { Problem } from '@/kit/problem'
import { Section } from '@/kit/frame/section'
import { Card, Column, Line, Row } from '@/kit/surfaces'
import { Words } from '@/kit/words'
import {
  leftOutOf,
  moved,
  planView,
  proposedPlan,
  sheetToKeep,
  touchedBy,
  type PlanView,
} from './plan-view'
import { PlannedTouch } from './planned-touch'

// What drags comes when it is wanted: whoever only reads a number does not wait for it.
const SortableList = lazy(() =>
  import('@/kit/entry/sortable-list').then(({ SortableList: List }) => ({ default: List })),
)

/** What is left to touch: with what, in which order, how long; moved about by whoever knows better. */
export function PlanScreen({ id }: { readonly id: string }) {
  const router = useRouter()
  const { plan, error } = useTouchPlan(id)
  const back = () => router.replace({ pathname: '/setups/[id]', params: { id } })
  return (
    <OpenedSetup id={id}>
      {(setup, enter) =>
        plan === undefined ? (
          <Page
            title="What to touch"
            foot={
              <Button kind="plain" onPress={back}>
                Back to the step
              </Button>
            }
          >
            <Words role={error === undefined ? 'status' : 'alert'} tone={error ? 'wrong' : 'soft'}>
              {error === undefined
                ? 'It is being planned.'
                : `${askedFailureWords(error)} Touch in the order of the sheet meanwhile.`}
            </Words>
          </Page>
        ) : (
          <Plan setup={setup} enter={enter} answer={plan} onBack={back} />
        )
      }
    </OpenedSetup>
  )
}

function Plan({
  setup: { document, sheetAsWritten },
  enter,
  answer,
  onBack,
}: {
  readonly setup: LoadedSetup
  readonly enter: Enter
  readonly answer: TouchPlanAnswer
  readonly onBack: () => void
}) {
  const mayEnter = useMay('enter')
  const [draft, setDraft] = useState(() => proposedPlan(answer, document.sheet))
  const [opened, setOpened] = useState<number>()
  const [problem, setProblem] = useState<string>()
  const view = planView(answer, draft, document.sheet)
  const keep = () => {
    setProblem(undefined)
    const sheet = sheetToKeep(sheetAsWritten, view)
    if (sheet === undefined) return onBack()
    changeSheet(document, enter, sheet).then(onBack, (failure: unknown) =>
      setProblem(failureWords(failure)),
    )
  }
  return (
    <Page
      title={view.title}
      foot={
        <>
          <Button kind="plain" onPress={onBack}>
            Back
          </Button>
          {mayEnter && view.isWork && (
            <Button kind="act" grow onPress={keep} testID="keep-plan">
              Work in this order
            </Button>
          )}
        </>
      }
    >
      {view.about !== '' && <Words testID="plan-about">{view.about}</Words>}
      {view.lines.length > 1 && (
        <Words as="note">Drag one to another place; press it for other ways to touch it.</Words>
      )}
      <Problem words={problem} />
      {view.lines.length > 0 && (
        <Card overflow="hidden">
          <Suspense fallback={<Words padding="$3">The list is on its way.</Words>}>
            <SortableList
              label="what is touched, in this order"
              onMove={(key, to) => setDraft(moved(draft, Number(key), to))}
              items={view.lines.map((line, place) => ({
                key: String(line.tool),
                name: `T${line.tool}`,
                body: (
                  <PlannedTouch
                    line={line}
                    place={place}
                    count={view.lines.length}
                    open={opened === line.tool}
                    onOpen={() => setOpened(opened === line.tool ? undefined : line.tool)}
                    onMove={(to) => setDraft(moved(draft, line.tool, to))}
                    onWay={(way) => setDraft(touchedBy(draft, line.tool, way))}
                    onLeaveOut={(reason) => setDraft(leftOutOf(draft, line.tool, reason))}
                  />
                ),
              }))}
            />
          </Suspense>
        </Card>
      )}
      {!view.isProposed && (
        <Row>
          <Button
            kind="plain"
            onPress={() => setDraft(proposedPlan(answer, document.sheet))}
            testID="as-proposed"
          >
            As it was proposed
          </Button>
        </Row>
      )}
      <LeftOut
        tools={view.leftOut}
        onTakeBack={(tool) => setDraft(leftOutOf(draft, tool, undefined))}
      />
      <Kept tools={view.kept} />
    </Page>
  )
}

function LeftOut({
  tools,
  onTakeBack,
}: {
  readonly tools: PlanView['leftOut']
  readonly onTakeBack: (tool: number) => void
}) {
  if (tools.length === 0) return null
  return (
    <Section title="Left out for now">
      <Card overflow="hidden" role="list" testID="left-out">
        {tools.map(({ tool, name, reason }, index) => (
          <Line key={tool} first={index === 0} apart role="listitem">
            <Column gap={0} flexShrink={1}>
              <Words strong>
                T{tool} {name}
              </Words>
              <Words as="note">{reason}</Words>
            </Column>
            <Button kind="plain" label={`take T${tool} back`} onPress={() => onTakeBack(tool)}>
              Take back
            </Button>
          </Line>
        ))}
      </Card>
    </Section>
  )
}

function Kept({ tools }: { readonly tools: PlanView['kept'] }) {
  if (tools.length === 0) return null
  return (
    <Section title="Need not be touched">
      <Card overflow="hidden" role="list" testID="kept">
        {tools.map(({ tool, name, why }, index) => (
          <Line key={tool} first={index === 0} role="listitem" paddingVertical="$2">
            <Column gap={0} flexShrink={1}>
              <Words strong>
                T{tool} {name}
              </Words>
              <Words as="note">{why}</Words>
            </Column>
          </Line>
        ))}
      </Card>
      <Words as="note">They are reused when you come to the first tool.</Words>
    </Section>
  )
}
