import { OpenedSetup } from '@/areas/run/frame/opened-setup'
import { BackToStep } from '@/areas/share/back-to-step'
import { failureWords } from '@/data/server/api'
import { useFirstParts } from '@/data/setup/first-parts'
import type { LoadedSetup } from '@/data/setup/standing'
import { Page } from '@/kit/frame/page'
import { Section } from '@/kit/frame/section'
import { LateChart } from '@/kit/late-chart'
import { Problem } from '@/kit/problem'
import { Card, Column, Line } from '@/kit/surfaces'
import { Words } from '@/kit/words'
import { useRoles } from '@/theme/use-roles'
import { firstPartsView, type FeatureCard } from './first-parts-view'

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
      <Problem words={error === undefined ? undefined : failureWords(error)} />
      {parts !== undefined && features.length === 0 && (
        <Words as="lead" tone="soft">
          Nothing was measured of a part of this job yet. Measure the first one at its step.
        </Words>
      )}
      {features.map((feature) => (
        <Section key={feature.name} title={feature.name}>
          {feature.chart && <DeviationChart chart={feature.chart} decimals={decimals} />}
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

/** Deviations from nominal, between what chance makes of them and what the drawing allows. */
function DeviationChart({
  chart: { limits, mean, lower, upper, ...drawn },
  decimals,
}: {
  readonly chart: NonNullable<FeatureCard['chart']>
  readonly decimals: number
}) {
  const roles = useRoles()
  const may = { color: roles.wrong, strokeWidth: 2 }
  const chance = { color: roles.inkSoft, strokeDasharray: [5, 4], strokeWidth: 1 }
  return (
    <LateChart
      {...drawn}
      decimals={decimals}
      height={240}
      lines={[
        ...(limits
          ? [
              { y: limits.upper, label: 'limit', labelColor: roles.wrong, ...may },
              { y: limits.lower, ...may },
            ]
          : []),
        { y: upper, ...chance },
        { y: mean, color: roles.inkSoft, strokeWidth: 1 },
        { y: lower, ...chance },
      ]}
    />
  )
}
