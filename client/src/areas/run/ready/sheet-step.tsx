import { useRouter } from 'expo-router'
import { useMedia } from '@tamagui/core'
import { type SetupDocument } from '@pine/core/facts'
import { describeSheet } from '@pine/core/words'
import { Button } from '@/kit/button'
import { Scroll } from '@/kit/frame/scroll'
import { Card, Column, Line, Row } from '@/kit/surfaces'
import { Words } from '@/kit/words'

export interface SheetStepProps {
  readonly document: SetupDocument
  readonly onDone: () => void
}

/** What was declared before anything was read. */
export function SheetStep({ document: { sheet, id }, onDone }: SheetStepProps) {
  const { wide } = useMedia()
  const router = useRouter()
  return (
    <Scroll label="the sheet" flex={1} contentContainerStyle={{ padding: wide ? 24 : 12, gap: 12 }}>
      <Words as="sentence" role="heading" aria-level={1}>
        {sheet.name}
      </Words>
      {describeSheet(sheet).map(({ title, lines }) => (
        <Column key={title} gap="$1">
          <Words as="lead" strong>
            {title}
          </Words>
          <Card overflow="hidden">
            {lines.map(([name, text], index) => (
              <Line key={name} alignItems="baseline" paddingVertical="$2" first={index === 0}>
                <Words tone="soft" width={110}>
                  {name}
                </Words>
                <Words flex={1}>{text}</Words>
              </Line>
            ))}
          </Card>
        </Column>
      ))}
      <Row flexWrap="wrap">
        <Button grow onPress={() => router.push({ pathname: '/setups/sheet', params: { id } })}>
          Change the sheet
        </Button>
        <Button
          grow
          onPress={() => router.push({ pathname: '/setups/plan', params: { id } })}
          testID="plan"
        >
          What to touch
        </Button>
        <Button
          grow
          onPress={() => router.push({ pathname: '/setups/again', params: { id } })}
          testID="again"
        >
          The same job again
        </Button>
        <Button kind="act" grow onPress={onDone} testID="next">
          Next
        </Button>
      </Row>
    </Scroll>
  )
}
