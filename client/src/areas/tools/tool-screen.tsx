import { Link, useRouter } from 'expo-router'
import { useState } from 'react'
import type { ToolHistory } from '@pine/contract'
import { Allowed } from '@/areas/people/allowed'
import { Declared } from '@/areas/shop/declared'
import { askedFailureWords } from '@/data/server/api'
import { useMachines } from '@/data/shop/shop'
import { useTool } from '@/data/shop/tools'
import { Button } from '@/kit/button'
import { LateChart } from '@/kit/late-chart'
import { Page } from '@/kit/frame/page'
import { Section } from '@/kit/frame/section'
import { Card, Column, Line, Row } from '@/kit/surfaces'
import { TrustMark } from '@/kit/trust-mark'
import { WaitingPage } from '@/kit/frame/waiting-page'
import { dayWords } from '@/kit/when'
import { Digits, Words } from '@/kit/words'
import { CorrectTool } from './tool-entry'
import { ToolHappened } from './tool-happened'
import {
  codeOf,
  HAPPENING_NAMES,
  lengthChart,
  measuredLines,
  placeWords,
  propertyLines,
} from './tools-view'

/** A tool over time: how far its length is to be relied on, every measurement of it, and what happened to it. */
export function ToolScreen({ id }: { readonly id: string }) {
  const router = useRouter()
  const { tool, error } = useTool(id)
  const [reporting, setReporting] = useState(false)
  const back = (
    <Button kind="plain" onPress={() => router.push('/tools')}>
      All tools
    </Button>
  )
  if (tool === undefined)
    return (
      <WaitingPage
        title="A tool over time"
        waits="What is known of it is on its way."
        failure={error === undefined ? undefined : askedFailureWords(error)}
        foot={back}
      />
    )
  return (
    <Page
      title={tool.tool.name}
      foot={
        <>
          {back}
          {!reporting && (
            <Allowed to="enter">
              {tool.tool.place !== undefined && tool.retired !== true && (
                <Button
                  grow
                  onPress={() => router.push({ pathname: '/tools/recheck', params: { id } })}
                  testID="measure-again"
                >
                  Measure again
                </Button>
              )}
              <Button grow kind="act" onPress={() => setReporting(true)} testID="happened">
                Something happened
              </Button>
            </Allowed>
          )}
        </>
      }
    >
      {reporting && <ToolHappened tool={tool} onDone={() => setReporting(false)} />}
      <Trust tool={tool} />
      <Measured tool={tool} />
      <Happened tool={tool} />
      <Properties tool={tool} />
      <Button
        kind="plain"
        onPress={() => router.push({ pathname: '/log', params: { tool: id } })}
        testID="tool-log"
      >
        All that was entered of it
      </Button>
    </Page>
  )
}

function Trust({ tool: history }: { readonly tool: ToolHistory }) {
  const { id, trust, retired } = history
  const { all } = useMachines()
  return (
    <Card padded tone={trust.state === 'stale' ? 'wrong' : 'plain'}>
      <Row gap="$3" alignItems="flex-start">
        <TrustMark state={trust.state} size={32} />
        <Column gap="$1" flex={1}>
          <Words as="lead" strong>
            {retired ? 'Out of use' : placeWords(history, all)}
          </Words>
          <Words tone={trust.state === 'stale' ? 'wrong' : 'ink'} testID="trust">
            {trust.words}
          </Words>
        </Column>
      </Row>
      <Row justifyContent="space-between">
        <Words as="note">
          its code <Digits>{codeOf(id)}</Digits>
        </Words>
        <Link href={{ pathname: '/tools/label', params: { id } }} asChild>
          <Words tone="act" strong padding={10} margin={-10}>
            Its label
          </Words>
        </Link>
      </Row>
    </Card>
  )
}

function Measured({ tool }: { readonly tool: ToolHistory }) {
  const lines = measuredLines(tool)
  const chart = lengthChart(tool)
  return (
    <Section title="Measured">
      {chart && (
        <>
          <Words>{chart.text}</Words>
          <LateChart {...chart} height={200} />
        </>
      )}
      {lines.length === 0 ? (
        <Words tone="soft">Not in any set-up yet.</Words>
      ) : (
        <Card
          overflow="hidden"
          role="list"
          aria-label="set-ups that measured it, the youngest first"
        >
          {lines.map(({ setup, name, on, where, how, length, within }, index) => (
            <Line key={setup} apart first={index === 0} role="listitem" paddingVertical="$2">
              <Column gap={0} flexShrink={1}>
                <Link href={{ pathname: '/setups/[id]', params: { id: setup } }} asChild>
                  <Words strong tone="act" paddingVertical={10} marginVertical={-10}>
                    {name}
                  </Words>
                </Link>
                <Words as="note">
                  {on} · {how}
                </Words>
                <Words as="note">{where}</Words>
              </Column>
              {length !== undefined && (
                <Column gap={0} alignItems="flex-end">
                  <Digits as="lead">{length}</Digits>
                  <Digits as="note" tone="soft">
                    {within}
                  </Digits>
                </Column>
              )}
            </Line>
          ))}
        </Card>
      )}
    </Section>
  )
}

function Happened({ tool: { events } }: { readonly tool: ToolHistory }) {
  if (events.length === 0) return null
  return (
    <Section title="What happened to it">
      <Card overflow="hidden" role="list" testID="events">
        {events.map(({ what, note, by, at }, index) => (
          <Line key={`${at}${what}`} first={index === 0} role="listitem" apart paddingVertical="$2">
            <Column gap={0} flexShrink={1}>
              <Words strong>{HAPPENING_NAMES[what]}</Words>
              {note !== '' && <Words as="note">{note}</Words>}
            </Column>
            <Words as="note" textAlign="right">
              {dayWords(at)}, {by}
            </Words>
          </Line>
        ))}
      </Card>
    </Section>
  )
}

function Properties({ tool: history }: { readonly tool: ToolHistory }) {
  const { id, tool } = history
  const { change } = useTool(id)
  const [correcting, setCorrecting] = useState(false)
  const lines = propertyLines(tool)
  if (correcting) return <CorrectTool tool={history} onDone={() => setCorrecting(false)} />
  return (
    <Section title="What it is">
      {lines.length === 0 && (
        <Words tone="soft">Holder, diameter and flutes not entered yet.</Words>
      )}
      {lines.length > 0 && (
        <Card overflow="hidden">
          {lines.map(({ symbol, name, text }, index) => (
            <Line key={name} apart first={index === 0}>
              <Words>
                {name} <Words as="note">{symbol}</Words>
              </Words>
              <Digits as="lead">{text}</Digits>
            </Line>
          ))}
        </Card>
      )}
      <Allowed to="enter">
        <Declared
          what="tool"
          name={tool.name}
          onCorrect={() => setCorrecting(true)}
          onRetire={(reason) => change(tool, { reason, retired: true })}
        />
      </Allowed>
    </Section>
  )
}
