import { memo } from 'react'
import { View } from '@tamagui/core'
import { STATIONS, stationTrust, type Station, type StepState } from '@pine/core/plan'
import type { TrustState } from '@pine/core/registers'
import { STATION_NAMES } from '@pine/core/words'
import { TRUST_NAMES, TrustMark } from '@/kit/trust-mark'
import { Row } from '@/kit/surfaces'
import { useLatest } from '@/kit/use-latest'

export interface TrailProps {
  readonly steps: readonly StepState[]
  readonly current: Station
  readonly onStation: (station: Station) => void
}

/** The stations of the work in a line: where one is, what is done, what is to come. */
export function Trail({ steps, current, onStation }: TrailProps) {
  const stations = STATIONS.flatMap((station) => {
    const trust = stationTrust(steps, station)
    return trust === undefined ? [] : [{ station, trust }]
  })
  const toStation = useLatest(onStation)
  return (
    <Row
      role="navigation"
      aria-label="stations"
      gap={0}
      justifyContent="space-between"
      paddingHorizontal="$2"
    >
      {stations.map(({ station, trust }, index) => (
        <StationMark
          key={station}
          station={station}
          trust={trust}
          isFirst={index === 0}
          isCurrent={station === current}
          onStation={toStation}
        />
      ))}
    </Row>
  )
}

interface StationMarkProps {
  readonly station: Station
  readonly trust: TrustState
  readonly isFirst: boolean
  readonly isCurrent: boolean
  readonly onStation: (station: Station) => void
}

/** One station, with the line that leads to it. */
const StationMark = memo(function StationMark({
  station,
  trust,
  isFirst,
  isCurrent,
  onStation,
}: StationMarkProps) {
  return (
    <>
      {!isFirst && (
        <View
          flex={1}
          marginHorizontal={-9}
          height={2}
          backgroundColor={trust === 'not-read' ? '$line' : '$act'}
        />
      )}
      <View
        render="button"
        position="relative"
        width={44}
        height={44}
        alignItems="center"
        justifyContent="center"
        backgroundColor="transparent"
        borderWidth={0}
        cursor="pointer"
        onPress={() => onStation(station)}
        aria-current={isCurrent ? 'step' : undefined}
        aria-label={`${STATION_NAMES[station]}: ${TRUST_NAMES[trust]}`}
      >
        <TrustMark state={trust} size={isCurrent ? 28 : 22} />
        <View
          position="absolute"
          bottom={0}
          width={26}
          height={3}
          borderRadius="$small"
          backgroundColor={isCurrent ? '$ink' : '$transparent'}
        />
      </View>
    </>
  )
})
