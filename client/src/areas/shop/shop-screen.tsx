import { useRouter } from 'expo-router'
import { useState } from 'react'
import { useMedia } from '@tamagui/core'
import type { MachineDeclaration } from '@pine/core/sheet'
import { writeCsv } from '@pine/formats/csv'
import { gaugesOfShop } from '@pine/formats/tables'
import { saveDueDates, useGaugeStandings } from '@/data/shop/gauge-checks'
import { useGauges, useMachines, useShop } from '@/data/shop/shop'
import { Allowed } from '@/areas/people/allowed'
import { handOverFile } from '@/areas/share/hand-over-file'
import { askedFailureWords } from '@/data/server/api'
import { Button } from '@/kit/button'
import { Page } from '@/kit/frame/page'
import { Section } from '@/kit/frame/section'
import { Column, Row } from '@/kit/surfaces'
import { Words } from '@/kit/words'
import { AddGauge } from './add-gauge'
import { AddMachine } from './machine/add-machine'
import { Retired } from './declared'
import { GaugeCard } from './gauge-card'
import { MachineCard } from './machine/machine-card'

/** The shop's machines and gauges: declared once, used by every set-up. */
export function ShopScreen() {
  const { machines, all: allMachines, change: changeMachine, error } = useMachines()
  const { gauges, all: allGauges, change: changeGauge } = useGauges()
  const { shop } = useShop()
  const { standings } = useGaugeStandings()
  const router = useRouter()
  const [adding, setAdding] = useState<'machine' | 'gauge'>()
  const close = () => setAdding(undefined)
  const saveGauges = () =>
    handOverFile({
      name: 'gauges-and-checks.csv',
      type: 'text/csv; charset=utf-8',
      content: writeCsv(gaugesOfShop(allGauges ?? [], standings ?? [])),
    })
  const { wide } = useMedia()
  // One list beside the other where there is room for both.
  const Lists = wide ? Row : Column
  const list = wide ? { flex: 1, flexBasis: 0, gap: 16 } : { gap: 16 }
  return (
    <Page title="Machines and gauges">
      {shop && (
        <Words as="note" testID="shop-name">
          Of the shop “{shop.name}”
        </Words>
      )}
      {error !== undefined && (
        <Words role="alert" tone="wrong">
          {askedFailureWords(error)}
        </Words>
      )}
      <Lists gap={16} alignItems={wide ? 'flex-start' : 'stretch'}>
        <Column {...list}>
          <Words as="title" role="heading" aria-level={2}>
            Machines
          </Words>
          {machines?.map(({ id, machine }) => (
            <MachineCard key={id} id={id} machine={machine as MachineDeclaration} />
          ))}
          <Allowed to="declare">
            {allMachines
              ?.filter(({ retired }) => retired)
              .map(({ id, machine }) => (
                <Retired
                  key={id}
                  name={machine.name}
                  onBack={() =>
                    changeMachine(id, machine as MachineDeclaration, { reason: 'into use again' })
                  }
                />
              ))}
          </Allowed>
          {adding === 'machine' ? (
            <AddMachine onDone={close} />
          ) : (
            <Allowed to="declare" otherwise="A lead adds machines.">
              <Button onPress={() => setAdding('machine')}>Add a machine</Button>
            </Allowed>
          )}
        </Column>
        <Column {...list}>
          <Words as="title" role="heading" aria-level={2}>
            Gauges
          </Words>
          {gauges?.map((gauge) => (
            <GaugeCard key={gauge.id} gauge={gauge} />
          ))}
          {standings?.some(({ dueOn }) => dueOn !== undefined) && (
            <Button kind="plain" onPress={() => void saveDueDates()} testID="due-dates">
              Due dates as a calendar
            </Button>
          )}
          {gauges !== undefined && (
            <Button kind="plain" onPress={() => void saveGauges()} testID="gauges-table">
              Gauges and checks as a table
            </Button>
          )}
          <Allowed to="declare">
            {allGauges
              ?.filter(({ retired }) => retired)
              .map(({ id, gauge }) => (
                <Retired
                  key={id}
                  name={gauge.name}
                  onBack={() => changeGauge(id, gauge, { reason: 'into use again' })}
                />
              ))}
          </Allowed>
          {adding === 'gauge' ? (
            <AddGauge onDone={close} />
          ) : (
            <Allowed to="declare" otherwise="A lead adds gauges.">
              <Button onPress={() => setAdding('gauge')}>Add a gauge</Button>
              <Button
                kind="plain"
                onPress={() => router.push({ pathname: '/import', params: { list: 'gauges' } })}
                testID="import-gauges"
              >
                Import a list of gauges
              </Button>
            </Allowed>
          )}
        </Column>
      </Lists>
      <Row>
        <Button onPress={() => router.push('/log')} testID="shop-log">
          Log of the shop
        </Button>
      </Row>
      <Allowed to="people">
        <Section title="Everything as one file">
          <Words as="note">
            Set-ups, machines, gauges, tools and programs, each with its hash, in an open format. It
            goes into an empty shop by bin/pine restore.
          </Words>
          <Row>
            <Button onPress={() => void window.open('/api/archive', '_self')} testID="archive">
              Save the archive
            </Button>
          </Row>
        </Section>
      </Allowed>
    </Page>
  )
}
