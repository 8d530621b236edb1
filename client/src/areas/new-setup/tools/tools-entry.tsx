import { View } from '@tamagui/core'
import { useState } from 'react'
import type { Pockets } from '@pine/contract'
import type { LengthUnit } from '@pine/core/length'
import type { Tool } from '@pine/core/sheet'
import { usePockets } from '@/data/shop/tools'
import { Button } from '@/kit/button'
import { Choice } from '@/kit/entry/choice'
import { Field } from '@/kit/entry/field'
import { Card, Row } from '@/kit/surfaces'
import { Words } from '@/kit/words'
import { inPocket, isSameTool } from './assemblies'
import { KnownLength } from './known-length'
import { counted, knownLengths, stylusOf, stylusOptions } from './known-lengths'
import { LengthEntry } from './length-entry'
import { SameTool } from './same-tools'
import type { SheetPageProps } from '../sheet-page-props'
import { keepsLengths, nextTool } from '../sheet-draft'

export function ToolsEntry({ draft, change, problem }: SheetPageProps) {
  const pockets = usePockets(draft.machineId)
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
            {keepsLengths(draft) && (
              <View width={84}>
                <Field
                  label="Length H"
                  value={numberText(tool.lengthRegister ?? 0)}
                  onChange={(text) =>
                    replace(index, { ...tool, lengthRegister: wholeNumber(text) })
                  }
                  problem={problem(`tools.${index}.lengthRegister`)}
                  digits
                  testID={`tool-register-${index}`}
                />
              </View>
            )}
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
            hint={inPocket(pockets, tool.number)?.tool.name ?? '10 mm end mill'}
            testID={`tool-name-${index}`}
          />
          <InPocket
            tool={tool}
            draft={draft}
            pockets={pockets}
            onChange={(next) => replace(index, next)}
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
            gauges={draft.gauges}
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

/** The tool that the shop knows in this pocket: what was measured of it may still hold. */
function InPocket({
  tool,
  draft,
  pockets,
  onChange,
}: {
  readonly tool: Tool
  readonly draft: SheetPageProps['draft']
  readonly pockets: Pockets | undefined
  readonly onChange: (tool: Tool) => void
}) {
  const there = inPocket(pockets, tool.number)
  if (there === undefined) return null
  const isSame = isSameTool(tool, pockets)
  return (
    <>
      {isSame !== undefined && (
        <SameTool tool={tool} pockets={pockets} isSame={isSame} onChange={onChange} />
      )}
      {isSame === true &&
        knownLengths(there, draft).map((known) => (
          <KnownLength key={known.by} known={known} tool={tool} onChange={onChange} />
        ))}
    </>
  )
}

interface ToolExtrasProps {
  readonly tool: Tool
  readonly unit: LengthUnit
  readonly gauges: SheetPageProps['draft']['gauges']
  readonly index: number
  readonly onChange: (tool: Tool) => void
  readonly problem: (field: string) => string | undefined
}

const LENGTHS = [
  {
    field: 'length',
    label: 'Known length, nose to tip (presetter, sensor)',
    note: 'Left empty, it is touched.',
    testID: 'tool-length',
  },
  {
    field: 'lastLength',
    label: 'Length last time, not taken from its holder since',
    testID: 'tool-last',
  },
  {
    field: 'rough',
    label: 'Length by a rule held to it',
    note: 'Give or take a millimetre: a reading that it cannot be is told at once.',
    testID: 'tool-rough',
  },
  { field: 'diameter', label: 'Its diameter', testID: 'tool-size' },
  {
    field: 'programDiameter',
    label: 'Diameter that the program was written for, if another',
    note: 'For a tool that stands in: what that does to its walls is told with the program.',
    testID: 'tool-program-size',
  },
] as const

/** What only some tools have: a length from a presetter or from last time, its diameter and where that is keyed. */
function ToolExtras({ tool, unit, gauges, index, onChange, problem }: ToolExtrasProps) {
  const { diameterRegister, ...plain } = tool
  const has = LENGTHS.some(({ field }) => tool[field] !== undefined) || diameterRegister
  const [open, setOpen] = useState(Boolean(has))
  if (!open)
    return (
      <Button kind="plain" onPress={() => setOpen(true)} testID={`tool-more-${index}`}>
        Known length, last time, diameter …
      </Button>
    )
  const styli = stylusOptions(gauges)
  return (
    <>
      {styli.length > 0 && (
        <Choice
          label="It is a sensor, with this stylus in"
          value={stylusOf(tool, gauges)}
          onChange={(value) => {
            const chosen = styli.find((one) => one.value === value)
            if (chosen) onChange(counted(tool, chosen.stylus))
          }}
          options={styli}
        />
      )}
      {LENGTHS.map(({ field, label, testID, ...about }) => (
        <LengthEntry
          key={field}
          label={label}
          value={tool[field] ?? { text: '', unit }}
          onChange={(next) => {
            const { [field]: _before, ...rest } = tool
            onChange({ ...rest, ...(next.text !== '' && { [field]: next }) })
          }}
          problem={problem(field)}
          testID={`${testID}-${index}`}
          {...about}
        />
      ))}
      <Field
        label="Diameter register D (empty: its diameter is not keyed)"
        value={diameterRegister === undefined ? '' : numberText(diameterRegister)}
        onChange={(text) => {
          const number = wholeNumber(text)
          onChange({ ...plain, ...(number !== 0 && { diameterRegister: number }) })
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
