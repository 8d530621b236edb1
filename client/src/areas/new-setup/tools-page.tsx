import { View } from 'tamagui'
import { useState } from 'react'
import type { LengthUnit, Tool } from '@pine/core'
import { Button } from '@/kit/button'
import { Choice } from '@/kit/choice'
import { Field } from '@/kit/field'
import { Card, Row } from '@/kit/surfaces'
import { Words } from '@/kit/words'
import { LengthEntry } from './length-entry'
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
          {draft.school === 'master-tool' && (
            <Choice
              label="Is it the master?"
              value={draft.reference?.masterTool === tool.number ? 'yes' : 'no'}
              onChange={(is) =>
                is === 'yes' && change({ ...draft, reference: { masterTool: tool.number } })
              }
              options={[
                { value: 'yes', label: 'the master' },
                { value: 'no', label: 'compared with it' },
              ]}
            />
          )}
          <ToolExtras
            tool={tool}
            unit={draft.unit}
            index={index}
            onChange={(next) => replace(index, next)}
            problem={(field) => problem(`tools.${index}.${field}`)}
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

interface ToolExtrasProps {
  readonly tool: Tool
  readonly unit: LengthUnit
  readonly index: number
  readonly onChange: (tool: Tool) => void
  readonly problem: (field: string) => string | undefined
}

/** What only some tools have: a length from a presetter, a length from last time, a diameter register. */
function ToolExtras({ tool, unit, index, onChange, problem }: ToolExtrasProps) {
  const { length, lastLength, diameterRegister, ...plain } = tool
  const has = length !== undefined || lastLength !== undefined || diameterRegister !== undefined
  const [open, setOpen] = useState(has)
  if (!open)
    return (
      <Button kind="plain" onPress={() => setOpen(true)} testID={`tool-more-${index}`}>
        Known length, last time, diameter …
      </Button>
    )
  const blank = { text: '', unit }
  return (
    <>
      <LengthEntry
        label="Known length, nose to tip (presetter, sensor)"
        value={length ?? blank}
        onChange={(next) =>
          onChange({
            ...plain,
            ...(lastLength && { lastLength }),
            ...(diameterRegister !== undefined && { diameterRegister }),
            ...(next.text !== '' && { length: next }),
          })
        }
        problem={problem('length')}
        note="Left empty, it is touched."
        testID={`tool-length-${index}`}
      />
      <LengthEntry
        label="Length last time, not taken from its holder since"
        value={lastLength ?? blank}
        onChange={(next) =>
          onChange({
            ...plain,
            ...(length && { length }),
            ...(diameterRegister !== undefined && { diameterRegister }),
            ...(next.text !== '' && { lastLength: next }),
          })
        }
        problem={problem('lastLength')}
        testID={`tool-last-${index}`}
      />
      <Field
        label="Diameter register D (empty: its diameter is not keyed)"
        value={diameterRegister === undefined ? '' : numberText(diameterRegister)}
        onChange={(text) => {
          const number = wholeNumber(text)
          onChange({
            ...plain,
            ...(length && { length }),
            ...(lastLength && { lastLength }),
            ...(number !== 0 && { diameterRegister: number }),
          })
        }}
        problem={problem('diameterRegister')}
        digits
        testID={`tool-diameter-${index}`}
      />
    </>
  )
}

/** Only digits count; an empty field is no number, and is told so. */
const wholeNumber = (text: string): number => Number(text.replace(/\D/g, '').slice(0, 3))
const numberText = (number: number): string => (number === 0 ? '' : String(number))
