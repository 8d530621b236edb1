import { useState } from 'react'
import type { Gauge } from '@pine/core/sheet'
import { GAUGE_FACTS } from '@pine/core/touch'
import { GAUGE_NAMES, MEASURE_NAMES } from '@pine/core/words'
import { Allowed } from '@/areas/people/allowed'
import { useGauges } from '@/data/shop'
import { Card, Column, Row } from '@/kit/surfaces'
import { Digits, Words } from '@/kit/words'
import { CorrectGauge } from './add-gauge'
import { Declared } from './declared'

/** A gauge of the shop: its size, and what can be put right about it. */
export function GaugeCard({ gauge }: { readonly gauge: Gauge }) {
  const { change } = useGauges()
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
            {gauge.maxSpeed !== undefined && ` · bears ${gauge.maxSpeed} turns a minute`}
          </Words>
        </Column>
        <Digits as="lead">
          {gauge.size.text} {gauge.size.unit}
        </Digits>
      </Row>
      {correcting ? (
        <CorrectGauge gauge={gauge} onDone={() => setCorrecting(false)} />
      ) : (
        <Allowed to="declare">
          <Declared
            name={gauge.name}
            onCorrect={() => setCorrecting(true)}
            onRetire={(reason) => change(gauge.id, gauge, { reason, retired: true })}
          />
        </Allowed>
      )}
    </Card>
  )
}
