import { useState } from 'react'
import type { MachineDeclaration } from '@pine/core/sheet'
import { GAUGE_FACTS } from '@pine/core/touch'
import { useGauges, useMachines, useShop } from '@/data/shop'
import { Allowed } from '@/areas/people/allowed'
import { failureWords } from '@/data/api'
import { Button } from '@/kit/button'
import { Page } from '@/kit/page'
import { Card, Column, Row } from '@/kit/surfaces'
import { Digits, Words } from '@/kit/words'
import { AddGauge } from './add-gauge'
import { AddMachine } from './add-machine'
import { MachineCard } from './machine-card'
import { GAUGE_NAMES, MEASURE_NAMES } from '@pine/core/words'

/** The shop's machines and gauges: declared once, used by every set-up. */
export function ShopScreen() {
  const { machines, error } = useMachines()
  const { gauges } = useGauges()
  const { shop } = useShop()
  const [adding, setAdding] = useState<'machine' | 'gauge'>()
  const close = () => setAdding(undefined)
  return (
    <Page title="Machines and gauges">
      {shop && (
        <Words as="note" testID="shop-name">
          Of the shop “{shop.name}”
        </Words>
      )}
      {error !== undefined && (
        <Words role="alert" tone="wrong">
          {failureWords(error)}
        </Words>
      )}
      <Words as="title" role="heading" aria-level={2}>
        Machines
      </Words>
      {machines?.map(({ id, machine }) => (
        <MachineCard key={id} id={id} machine={machine as MachineDeclaration} />
      ))}
      {adding === 'machine' ? (
        <AddMachine onDone={close} />
      ) : (
        <Allowed to="declare" otherwise="A lead adds machines.">
          <Button onPress={() => setAdding('machine')}>Add a machine</Button>
        </Allowed>
      )}
      <Words as="title" role="heading" aria-level={2}>
        Gauges
      </Words>
      {gauges?.map((gauge) => (
        <Card key={gauge.id} padded>
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
        </Card>
      ))}
      {adding === 'gauge' ? (
        <AddGauge onDone={close} />
      ) : (
        <Allowed to="declare" otherwise="A lead adds gauges.">
          <Button onPress={() => setAdding('gauge')}>Add a gauge</Button>
        </Allowed>
      )}
    </Page>
  )
}
