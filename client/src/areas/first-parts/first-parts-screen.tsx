import { OpenedSetup } from '@/areas/run/frame/opened-setup'
import { BackToStep } from '@/areas/share/back-to-step'
import { askedFailureWords } from '@/data/server/api'
import { useFirstParts } from '@/data/setup/first-parts'
import type { LoadedSetup } from '@/data/setup/standing'
import { Page } from '@/kit/frame/page'
import { Section } from '@/kit/frame/section'
import { LimitsChart } from '@/kit/limits-chart'
import { Problem } from '@/kit/problem'
import { Card, Column, Line } from '@/kit/surfaces'
import { Words } from '@/kit/words'
import { firstPartsView } from './first-parts-view'

/** What was measured of a job's parts, repeat after repeat, against what the drawing allows. */
export function FirstPartsScreen({ id }: { readonly id: string }) {
  return <OpenedSetup id={id}>{(setup) => <FirstParts id={id} setup={setup} />}</OpenedSetup>
}

function FirstParts({ id, setup }: { readonly id: string; readonly setup: LoadedSetup }) {
  const { parts, error } = useFirstParts(id)
  const { unit, decimals } = setup.solution
  const features = firstPartsView(parts ?? [], unit, decimals)
  return (
    <Page title={`Parts of ${setup.document.sheet.name} over time`} foot={<BackToStep id={id} />}>
      <Problem words={error === undefined ? undefined : askedFailureWords(error)} />
      {parts !== undefined && features.length === 0 && (
        <Words as="lead" tone="soft">
          Nothing was measured of a part of this job yet. Measure the first one at its step.
        </Words>
      )}
      {features.map((feature) => (
        <Section key={feature.name} title={feature.name}>
          {feature.chart && (
            <LimitsChart chart={feature.chart} decimals={decimals} allowed="limit" />
          )}
          <Card overflow="hidden" role="list">
            {feature.rows.map(({ key, on, by, words, isWrong }, index) => (
              <Line
                key={`${key} ${index}`}
                first={index === 0}
                role="listitem"
                paddingVertical="$2"
              >
                <Column gap={0} flex={1}>
                  <Words strong={isWrong} tone={isWrong ? 'wrong' : 'ink'}>
                    {words}
                  </Words>
                  <Words as="note">{`${on}, ${by}`}</Words>
                </Column>
              </Line>
            ))}
          </Card>
        </Section>
      ))}
    </Page>
  )
}
