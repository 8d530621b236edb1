import { useRouter } from 'expo-router'
import { ScrollView, useMedia } from 'tamagui'
import { type SetupDocument } from '@pine/core/facts'
import { describeSheet } from '@pine/core/words'
import { Button } from '@/kit/button'
import { Card, Column, Row } from '@/kit/surfaces'
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
    <ScrollView flex={1} contentContainerStyle={{ padding: wide ? 24 : 12, gap: 12 }}>
      <Words as="sentence" role="heading" aria-level={1}>
        {sheet.name}
      </Words>
      {describeSheet(sheet).map(({ title, lines }) => (
        <Column key={title} gap="$1">
          <Words as="lead" strong>
            {title}
          </Words>
          <Card overflow="hidden">
            {lines.map(([name, says], index) => (
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
                <Words flex={1}>{says}</Words>
              </Row>
            ))}
          </Card>
        </Column>
      ))}
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
