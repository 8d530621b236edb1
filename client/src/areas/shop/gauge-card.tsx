import { useState } from 'react'
import { Link } from 'expo-router'
import type { Gauge } from '@pine/core/sheet'
import { GAUGE_FACTS } from '@pine/core/touch'
import { GAUGE_NAMES, lengthWords, MEASURE_NAMES } from '@pine/core/words'
import { Allowed } from '@/areas/people/allowed'
import { useGaugeStandings } from '@/data/shop/gauge-checks'
import { useGauges } from '@/data/shop/shop'
import { Card, Column, Row } from '@/kit/surfaces'
import { Digits, Words } from '@/kit/words'
import { CorrectGauge } from './add-gauge'
import { Declared } from './declared'
import { standingWords } from './standing-words'

/** A gauge of the shop: its size, and what can be put right about it. */
export function GaugeCard({ gauge }: { readonly gauge: Gauge }) {
  const { change } = useGauges()
  const { standings } = useGaugeStandings()
  const standing = standings?.find(({ id }) => id === gauge.id)
  const [correcting, setCorrecting] = useState(false)
  return (
    <Card padded>
      <Row justifyContent="space-between">
        <Column gap={0} flexShrink={1}>
          <Words as="lead" strong>
            {gauge.name}
          </Words>
          <Words as="note">
            {GAUGE_NAMES[gauge.kind]}, {MEASURE_NAMES[GAUGE_FACTS[gauge.kind].measure]}
            {gauge.wall && ` · wall ${gauge.wall.text} ${gauge.wall.unit}`}
            {gauge.maxSpeed !== undefined && ` · bears ${gauge.maxSpeed} rpm`}
            {gauge.styli?.map(({ name, length }) => ` · ${name}: ${lengthWords(length)}`).join('')}
          </Words>
        </Column>
        <Digits as="lead" flexShrink={0}>
          {gauge.sizeRough === true ? 'about ' : ''}
          {gauge.size.text} {gauge.size.unit}
        </Digits>
      </Row>
      <Row justifyContent="space-between" gap="$2" flexWrap="wrap">
        <Words
          as="note"
          tone={standing?.isSuspect ? 'wrong' : standing?.isDue ? 'caution' : 'soft'}
        >
          {standingWords(standing)}
        </Words>
        <Link href={{ pathname: '/gauges/[id]', params: { id: gauge.id } }} asChild>
          <Words tone="act" strong padding={10} margin={-10} aria-label={`checks of ${gauge.name}`}>
            Its checks
          </Words>
        </Link>
      </Row>
      {correcting ? (
        <CorrectGauge gauge={gauge} onDone={() => setCorrecting(false)} />
      ) : (
        <Allowed to="declare">
          {/* The words of a plain button end where those of the card do. */}
          <Column marginRight={-18}>
            <Declared
              what="gauge"
              name={gauge.name}
              onCorrect={() => setCorrecting(true)}
              onRetire={(reason) => change(gauge.id, gauge, { reason, retired: true })}
            />
          </Column>
        </Allowed>
      )}
    </Card>
  )
}
