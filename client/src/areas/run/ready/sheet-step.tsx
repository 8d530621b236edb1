import { useRouter } from 'expo-router'
import { ScrollView, useMedia } from 'tamagui'
import { type SetupDocument } from '@pine/core/facts'
import { type WrittenLength } from '@pine/core/length'
import { faceName } from '@pine/core/quantities'
import { type AxisPlan, type SetupSheet, type ZPlan } from '@pine/core/sheet'
import { GAUGE_FACTS } from '@pine/core/touch'
import { GAUGE_NAMES, MEASURE_NAMES } from '@pine/core/words'
import { Button } from '@/kit/button'
import { Card, Column, Row } from '@/kit/surfaces'
import { Words } from '@/kit/words'

export interface SheetStepProps {
  readonly document: SetupDocument
  readonly onDone: () => void
}

/** What was declared before anything was read. */
export function SheetStep({ document, onDone }: SheetStepProps) {
  const { wide } = useMedia()
  const router = useRouter()
  const { sheet, id } = document
  return (
    <ScrollView flex={1} contentContainerStyle={{ padding: wide ? 24 : 12, gap: 12 }}>
      <Words as="sentence" role="heading" aria-level={1}>
        {sheet.name}
      </Words>
      <Lines
        title="Machine and zero"
        lines={[
          ['Machine', `${sheet.machine.name}, ${sheet.machine.kind}`],
          ['Lengths', schoolWords(sheet)],
          ['Zero', sheet.zero === '' ? 'not said' : sheet.zero],
          [
            'Stock X Y Z',
            `${text(sheet.stock.X)} × ${text(sheet.stock.Y)} × ${text(sheet.stock.Z)}`,
          ],
        ]}
      />
      {sheet.offsets.map(({ row, X, Y, Z }) => (
        <Lines
          key={row}
          title={row}
          lines={[
            ['X', axisWords(X, 'X')],
            ['Y', axisWords(Y, 'Y')],
            [
              'Z',
              `${zWords(Z)}, zero ${text(Z.facing)} below the raw top${Z.quill ? `; quill out ${text(Z.quill.measured)} measured, ${text(Z.quill.running)} running` : ''}`,
            ],
          ]}
        />
      ))}
      <Lines
        title="Tools"
        lines={sheet.tools.map(({ number, name, lengthRegister }) => [
          `T${number}`,
          `${name} · H${lengthRegister}`,
        ])}
      />
      <Lines
        title="Gauges"
        lines={sheet.gauges.map(({ name, kind, size }) => [
          name,
          `${GAUGE_NAMES[kind]}, ${MEASURE_NAMES[GAUGE_FACTS[kind].measure]} ${text(size)}`,
        ])}
      />
      <Row>
        <Button grow onPress={() => router.push({ pathname: '/setups/sheet', params: { id } })}>
          Change the sheet
        </Button>
        <Button kind="act" grow onPress={onDone} testID="next">
          Next
        </Button>
      </Row>
    </ScrollView>
  )
}

function schoolWords({ school, plane, reference }: SetupSheet): string {
  switch (school) {
    case 'gauge-line':
      return 'real lengths, from the nose'
    case 'setting-plane':
      return `to the setting plane (${plane})`
    case 'part-top':
      return 'to the top of this part'
    case 'master-tool':
      return `compared with T${reference?.masterTool}, the master`
  }
}

function zWords(Z: ZPlan): string {
  switch (Z.by) {
    case 'carried-difference':
      return 'difference carried from the plane'
    case 'nose-on-part':
      return 'bare nose on the part'
    case 'part-top':
      return 'the tools are touched on it'
    case 'tool-on-part':
      return `T${Z.tool} on the part`
    case 'fixture-difference':
      return `difference from the part of ${Z.from}`
  }
}

const text = (length: WrittenLength): string => `${length.text} ${length.unit}`

function axisWords(plan: AxisPlan, axis: 'X' | 'Y'): string {
  if (plan.by === 'one-face')
    return `${faceName(plan.face, plan.side)} is ${axis} = ${text(plan.drawing)}`
  if (plan.by === 'circle')
    return `centre of the ${plan.side === 'outside' ? 'boss' : 'bore'} is ${axis} = ${text(plan.drawing)}; diameter ${text(plan.diameter)} ±${text(plan.tolerance)}`
  if (plan.by === 'turned-corner')
    return `${faceName(plan.face, 'outside')}, however it is turned, is ${axis} = ${text(plan.drawing)}`
  if (plan.by === 'sweep') return `centre by a swept dial is ${axis} = ${text(plan.drawing)}`
  const what = plan.side === 'outside' ? 'middle of both faces' : 'middle of the slot'
  return `${what} is ${axis} = ${text(plan.drawing)}; size ${text(plan.size)} ±${text(plan.tolerance)}`
}

function Lines({ title, lines }: { title: string; lines: readonly (readonly [string, string])[] }) {
  return (
    <Column gap="$1">
      <Words as="lead" strong>
        {title}
      </Words>
      <Card overflow="hidden">
        {lines.map(([name, value], index) => (
          <Row
            key={name}
            alignItems="baseline"
            paddingHorizontal="$3"
            paddingVertical="$2"
            borderTopWidth={index === 0 ? 0 : 1}
            borderColor="$line"
          >
            <Words tone="soft" width={110}>
              {name}
            </Words>
            <Words flex={1}>{value}</Words>
          </Row>
        ))}
      </Card>
    </Column>
  )
}
