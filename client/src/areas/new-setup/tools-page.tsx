import { View } from 'tamagui'
import type { Tool } from '@pine/core'
import { Button } from '@/kit/button'
import { Field } from '@/kit/field'
import { Card, Row } from '@/kit/surfaces'
import { Words } from '@/kit/words'
import type { SheetPageProps } from './sheet-pages'
import { nextTool } from './sheet-draft'

export function ToolsPage({ draft, change, problem }: SheetPageProps) {
  const replace = (index: number, tool: Tool) =>
    change({ ...draft, tools: draft.tools.map((one, at) => (at === index ? tool : one)) })
  const remove = (index: number) =>
    change({ ...draft, tools: draft.tools.filter((_, at) => at !== index) })
  return (
    <>
      {draft.tools.map((tool, index) => (
        <Card key={index} padded>
          <Row gap="$3" alignItems="flex-start">
            <View width={84}>
              <Field
                label="Tool T"
                value={numberText(tool.number)}
                onChange={(text) => replace(index, { ...tool, number: wholeNumber(text) })}
                problem={problem(`tools.${index}.number`)}
                digits
                testID={`tool-number-${index}`}
              />
            </View>
            <View width={84}>
              <Field
                label="Length H"
                value={numberText(tool.lengthRegister)}
                onChange={(text) => replace(index, { ...tool, lengthRegister: wholeNumber(text) })}
                problem={problem(`tools.${index}.lengthRegister`)}
                digits
                testID={`tool-register-${index}`}
              />
            </View>
            {draft.tools.length > 1 && (
              <View paddingTop={20}>
                <Button
                  kind="plain"
                  onPress={() => remove(index)}
                  label={`take T${tool.number} out`}
                >
                  Take out
                </Button>
              </View>
            )}
          </Row>
          <Field
            label="What it is"
            value={tool.name}
            onChange={(name) => replace(index, { ...tool, name })}
            hint="10 mm end mill"
            testID={`tool-name-${index}`}
          />
        </Card>
      ))}
      {problem('tools') !== undefined && (
        <Words tone="wrong" role="alert">
          At least one tool is needed.
        </Words>
      )}
      <Button onPress={() => change({ ...draft, tools: [...draft.tools, nextTool(draft.tools)] })}>
        Another tool
      </Button>
    </>
  )
}

/** Only digits count; an empty field is no number, and is told so. */
const wholeNumber = (text: string): number => Number(text.replace(/\D/g, '').slice(0, 3))
const numberText = (number: number): string => (number === 0 ? '' : String(number))
