import { useState } from 'react'
import { GAUGE_FACTS } from '@pine/core/touch'
import { useGauges, useMachines, useShop } from '@/data/shop'
import { failureWords } from '@/data/api'
import { Button } from '@/kit/button'
import { Page } from '@/kit/page'
import { Card, Column, Row } from '@/kit/surfaces'
import { Digits, Words } from '@/kit/words'
import { AddGauge } from './add-gauge'
import { AddMachine } from './add-machine'
import { GAUGE_NAMES, MEASURE_NAMES } from '@pine/core/words'

const KEYED = {
  set: 'are set',
  add: 'are added',
  position: 'follow from “my position is”',
  copy: 'are copied from where it stands, and added to',
  halve: 'follow from the halved counter',
} as const

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
        <Card key={id} padded>
          <Words as="lead" strong>
            {machine.name}
          </Words>
          <Words as="note">
            {machine.kind} · shows {machine.control.decimals.mm} decimals in mm,{' '}
            {machine.control.decimals.in} in inch · lengths {KEYED[machine.control.lengthKey]}, work
            offsets {KEYED[machine.control.workOffsetKey]} · D holds the{' '}
            {machine.control.diameterRegister ?? 'diameter'}
          </Words>
        </Card>
      ))}
      {adding === 'machine' ? (
        <AddMachine onDone={close} />
      ) : (
        <Button onPress={() => setAdding('machine')}>Add a machine</Button>
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
        <Button onPress={() => setAdding('gauge')}>Add a gauge</Button>
      )}
    </Page>
  )
}
