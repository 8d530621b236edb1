import { Link, useRouter } from 'expo-router'
import { formatDistanceToNow } from 'date-fns'
import { useMedia, View } from 'tamagui'
import { STATIONS } from '@pine/core/plan'
import { type TrustState } from '@pine/core/registers'
import { STATION_NAMES } from '@pine/core/words'
import type { SetupSummary } from '@pine/contract'
import { failureWords } from '@/data/api'
import { useSetups } from '@/data/setups'
import { Button } from '@/kit/button'
import { Page } from '@/kit/page'
import { Card, Column, Row } from '@/kit/surfaces'
import { TrustMark } from '@/kit/trust-mark'
import { Words } from '@/kit/words'

/** What is on which machine, how far it is, and what is next. */
export function SetupsScreen() {
  const router = useRouter()
  const { wide } = useMedia()
  const { setups, error } = useSetups()
  const startNew = (
    <>
      <Button grow onPress={() => router.push('/setups/from-program')}>
        From a program
      </Button>
      <Button kind="act" grow onPress={() => router.push('/setups/new')}>
        New set-up
      </Button>
    </>
  )
  return (
    <Page title="Set-ups" foot={startNew}>
      {error !== undefined && (
        <Words role="alert" tone="wrong">
          {failureWords(error)}
        </Words>
      )}
      {setups?.length === 0 && (
        <Words as="lead" tone="soft">
          Nothing is set up yet. Start with the machine, the stock and the tools; you are led from
          there.
        </Words>
      )}
      <View flexDirection="row" flexWrap="wrap" gap="$3" role="list">
        {setups?.map((setup) => (
          <View key={setup.id} role="listitem" width={wide ? '48.5%' : '100%'}>
            <SetupCard setup={setup} />
          </View>
        ))}
      </View>
    </Page>
  )
}

function SetupCard({ setup }: { setup: SetupSummary }) {
  const {
    id,
    name,
    machine,
    unit,
    stepsDone,
    stepsTotal,
    nextStation,
    recorded,
    warnings,
    changedAt,
    changedBy,
  } = setup
  const state: TrustState =
    recorded && nextStation === null ? 'proven' : stepsDone > 1 ? 'read' : 'not-read'
  return (
    <Link href={{ pathname: '/setups/[id]', params: { id } }} asChild>
      <Card render="a" padded cursor="pointer" hoverStyle={{ borderColor: '$act' }}>
        <Row gap="$3" alignItems="flex-start">
          <View paddingTop={1}>
            <TrustMark state={state} size={26} />
          </View>
          <Column flex={1} gap={2}>
            <Words as="lead" strong>
              {name}
            </Words>
            <Words as="note">
              {machine} · {unit}
            </Words>
            <Words tone={warnings > 0 ? 'wrong' : recorded ? 'act' : 'read'} strong>
              {progressWords(setup)}
            </Words>
            <Words as="note">
              step {stepsDone} of {stepsTotal} · {changedBy},{' '}
              {formatDistanceToNow(new Date(changedAt))} ago
            </Words>
          </Column>
        </Row>
      </Card>
    </Link>
  )
}

function progressWords({ recorded, warnings, nextStation }: SetupSummary): string {
  if (warnings > 0) return warnings === 1 ? 'One thing to look at' : `${warnings} things to look at`
  if (recorded) return nextStation === null ? 'Released' : 'Open again since its release'
  const station = STATIONS.find((one) => one === nextStation)
  return station ? `Next: ${STATION_NAMES[station]}` : ''
}
