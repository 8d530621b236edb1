import { View } from '@tamagui/core'
import { STATIONS, stationTrust, type Station, type StepState } from '@pine/core/plan'
import { TRUST_STATES } from '@pine/core/registers'
import { STATION_NAMES } from '@pine/core/words'
import { Button } from '@/kit/button'
import { Overlay } from '@/kit/overlay'
import { Column, Row } from '@/kit/surfaces'
import { RunActions, type RunActionsProps } from './run-actions'
import { TRUST_NAMES, TrustMark } from '@/kit/trust-mark'
import { Words } from '@/kit/words'

export interface RunMenuProps extends RunActionsProps {
  readonly steps: readonly StepState[]
  readonly current: Station
  readonly onStation: (station: Station) => void
  readonly onClose: () => void
}

/** What a phone has no room for: every station by its name, the program, and what the marks mean. */
export function RunMenu({ steps, current, onStation, onClose, ...actions }: RunMenuProps) {
  return (
    <Overlay onClose={onClose}>
      <Column gap="$2" role="navigation" aria-label="stations by name">
        {STATIONS.map((station) => {
          const trust = stationTrust(steps, station)
          return (
            trust && (
              <View
                key={station}
                render="button"
                flexDirection="row"
                alignItems="center"
                gap="$3"
                minHeight={44}
                padding={0}
                borderWidth={0}
                backgroundColor="transparent"
                cursor="pointer"
                onPress={() => onStation(station)}
                aria-current={station === current ? 'step' : undefined}
              >
                <TrustMark state={trust} size={26} />
                <Words as="lead" strong={station === current}>
                  {STATION_NAMES[station]}
                </Words>
                <Words as="note">{TRUST_NAMES[trust]}</Words>
              </View>
            )
          )
        })}
        <RunActions {...actions} />
        <Row
          flexWrap="wrap"
          columnGap="$3"
          rowGap="$1"
          role="group"
          aria-label="what the marks mean"
        >
          {TRUST_STATES.map((state) => (
            <Row key={state} gap="$1">
              <TrustMark state={state} size={18} />
              <Words as="note">{TRUST_NAMES[state]}</Words>
            </Row>
          ))}
        </Row>
        <Button kind="plain" onPress={onClose}>
          Back to the step
        </Button>
      </Column>
    </Overlay>
  )
}
