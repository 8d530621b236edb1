import { useState, type ReactNode } from 'react'
import { Link, useRouter } from 'expo-router'
import type { GaugeHistory, GaugeUses, SuspectSetups } from '@pine/contract'
import type { Gauge } from '@pine/core/sheet'
import { GAUGE_NAMES } from '@pine/core/words'
import { writeCsv } from '@pine/formats/csv'
import { checksOfGauge } from '@pine/formats/tables'
import { handOverFile } from '@/areas/share/hand-over-file'
import { Allowed } from '@/areas/people/allowed'
import { askedFailureWords, failureWords } from '@/data/server/api'
import { useGaugeChecks } from '@/data/shop/gauge-checks'
import { Button } from '@/kit/button'
import { Page } from '@/kit/frame/page'
import { Problem } from '@/kit/problem'
import { Section } from '@/kit/frame/section'
import { Card, Column, Line, Row } from '@/kit/surfaces'
import { dayWords } from '@/kit/when'
import { Digits, Words } from '@/kit/words'
import { CheckEntry } from './check-entry'
import { ChecksChart } from './checks-chart'
import { checksView, type ChecksView } from './checks-view'
import { WatchEntry } from './watch-entry'

/** A gauge over time: how it stands, its checks, and what they make suspect. */
export function GaugeScreen({ id }: { readonly id: string }) {
  const router = useRouter()
  const { history, suspect, used, error } = useGaugeChecks(id)
  const back = (
    <Button kind="plain" onPress={() => router.push('/shop')}>
      Back to the gauges
    </Button>
  )
  if (history === undefined)
    return (
      <Page title="A gauge over time" foot={back}>
        <Words role={error === undefined ? 'status' : 'alert'} tone={error ? 'wrong' : 'soft'}>
          {error === undefined ? 'Its checks are on their way.' : askedFailureWords(error)}
        </Words>
      </Page>
    )
  return <OverTime history={history} suspect={suspect ?? []} used={used ?? []} back={back} />
}

function OverTime({
  history,
  suspect,
  used,
  back,
}: {
  readonly history: GaugeHistory
  readonly suspect: SuspectSetups
  readonly used: GaugeUses
  readonly back: ReactNode
}) {
  const router = useRouter()
  const gauge = history.gauge.gauge as Gauge
  const [entering, setEntering] = useState<'check' | 'watch'>()
  const [now] = useState(() => new Date().toISOString())
  const view = checksView(history, now)
  const close = () => setEntering(undefined)
  const checking = view !== undefined && entering === undefined && (
    <Allowed to="enter">
      <Button kind="act" grow onPress={() => setEntering('check')} testID="check-it">
        Check it now
      </Button>
    </Allowed>
  )
  return (
    <Page
      title={gauge.name}
      foot={
        <>
          {back}
          {checking}
        </>
      }
    >
      <Words as="note">
        {GAUGE_NAMES[gauge.kind]}, {gauge.size.text} {gauge.size.unit}
      </Words>
      {entering === 'check' && <CheckEntry history={history} onDone={close} />}
      {entering === 'watch' && <WatchEntry history={history} onDone={close} />}
      {view === undefined ? (
        <Words>
          Its tolerance is not set. Once it is, its checks are held to it: how it drifts, when it is
          due, what it makes suspect.
        </Words>
      ) : (
        <Checks view={view} suspect={suspect} gauge={gauge} />
      )}
      <UsedIn used={used} />
      <Row flexWrap="wrap">
        <Button
          kind="plain"
          onPress={() => router.push({ pathname: '/log', params: { gauge: gauge.id } })}
          testID="gauge-log"
        >
          All that was entered of it
        </Button>
        {history.checks.length > 0 && (
          <Button
            kind="plain"
            onPress={() =>
              void handOverFile({
                name: 'checks.csv',
                type: 'text/csv; charset=utf-8',
                content: writeCsv(checksOfGauge(history)),
              })
            }
            testID="checks-table"
          >
            Its checks as a table
          </Button>
        )}
      </Row>
      {entering !== 'watch' && (
        <Allowed to="declare" otherwise="A lead sets its tolerance.">
          <Button onPress={() => setEntering('watch')} testID="watch-it">
            {view === undefined ? 'Set its tolerance' : 'Change its tolerance'}
          </Button>
        </Allowed>
      )}
    </Page>
  )
}

/** The set-ups that used it last, each one tap away. */
function UsedIn({ used }: { readonly used: GaugeUses }) {
  if (used.length === 0) return null
  return (
    <Section title="What used it">
      <Card overflow="hidden" role="list" testID="used-in">
        {used.map(({ id, name, machine, readings, from }, index) => (
          <Line key={id} first={index === 0} role="listitem" paddingVertical="$2">
            <UseLine setup={id} name={name}>
              {machine} · {readingsWords(readings)}, {dayWords(from)}
            </UseLine>
          </Line>
        ))}
      </Card>
    </Section>
  )
}

const readingsWords = (readings: number): string =>
  readings === 1 ? 'one reading' : `${readings} readings`

/** A set-up by its name, which leads to it, and what the gauge did in it. */
function UseLine({
  setup,
  name,
  children,
}: {
  readonly setup: string
  readonly name: string
  readonly children: ReactNode
}) {
  return (
    <Column gap={0} flex={1}>
      <Link href={{ pathname: '/setups/[id]', params: { id: setup } }} asChild>
        <Words strong tone="act" paddingVertical={10} marginVertical={-10}>
          {name}
        </Words>
      </Link>
      <Words as="note">{children}</Words>
    </Column>
  )
}

const TONES = { good: 'ink', due: 'caution', wrong: 'wrong' } as const

function Checks({
  view: { state, tone, interval, grade, rows, chart },
  suspect,
  gauge,
}: {
  readonly view: ChecksView
  readonly suspect: SuspectSetups
  readonly gauge: Gauge
}) {
  return (
    <>
      <Card padded {...(tone === 'wrong' && { tone: 'wrong' as const })} role="status">
        <Words as="lead" strong tone={TONES[tone]} testID="stands">
          {state}
        </Words>
        {interval !== undefined && <Words testID="interval">{interval}</Words>}
        {grade && (
          <Words tone={grade.isOutside ? 'wrong' : 'ink'} testID="grade">
            {grade.words}
          </Words>
        )}
      </Card>
      {suspect.length > 0 && <Suspect suspect={suspect} gauge={gauge} />}
      {chart !== undefined && (
        <Column gap="$2">
          <ChecksChart chart={chart} decimals={gauge.size.unit === 'mm' ? 3 : 4} />
          <Words as="note" testID="chart-says">
            {chart.text}
          </Words>
        </Column>
      )}
      {rows.length > 0 && (
        <Card overflow="hidden" role="list" aria-label="its checks, the youngest first">
          {rows.map(({ id, on, off, by, fault }, index) => (
            <Line key={id} apart first={index === 0} role="listitem" paddingVertical="$2">
              <Column gap={0} flexShrink={1}>
                <Digits>{on}</Digits>
                <Words as="note">{by}</Words>
              </Column>
              <Column gap={0} alignItems="flex-end" flexShrink={1}>
                <Digits as="lead" tone={fault === undefined ? 'ink' : 'wrong'}>
                  {off}
                </Digits>
                {fault !== undefined && (
                  <Words as="note" tone="wrong" textAlign="right">
                    {fault}
                  </Words>
                )}
              </Column>
            </Line>
          ))}
        </Card>
      )}
    </>
  )
}

/** Set-ups that were measured with it since it was last good: each one tap away. */
function Suspect({ suspect, gauge }: { readonly suspect: SuspectSetups; readonly gauge: Gauge }) {
  const { declareSuspects } = useGaugeChecks(gauge.id)
  const [failure, setFailure] = useState<string>()
  const untold = suspect.filter((one) => one.untold).length
  const submit = () =>
    void declareSuspects().catch((cause: unknown) => setFailure(failureWords(cause)))
  return (
    <Column gap="$2" testID="suspect">
      <Words as="title" role="heading" aria-level={2}>
        Suspect by it
      </Words>
      <Card overflow="hidden">
        {suspect.map(({ id, name, machine, readings, released, from }, index) => (
          <Line key={id} first={index === 0} paddingVertical="$2">
            <UseLine setup={id} name={name}>
              {machine} · {readingsWords(readings)} since {dayWords(from)}
            </UseLine>
            {released && (
              <Words as="note" tone="wrong" strong>
                released
              </Words>
            )}
          </Line>
        ))}
      </Card>
      <Words as="note" testID="untold">
        {untold === 0
          ? 'Those that are open know of it: what leans on it is to be read again there. What was released stays as it was frozen: look at its parts.'
          : `${untold === 1 ? 'One is' : `${untold} are`} open: told of it, their numbers show which of them lean on it.`}
      </Words>
      {untold > 0 && (
        <Allowed to="enter">
          <Button onPress={submit} testID="tell-suspects">
            {untold === 1 ? 'Tell it there' : 'Tell it in all of them'}
          </Button>
        </Allowed>
      )}
      <Problem words={failure} />
    </Column>
  )
}
