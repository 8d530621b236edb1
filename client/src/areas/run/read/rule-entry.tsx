import { useState } from 'react'
import { withRule } from '@pine/core/expect'
import { otherUnit, readLength } from '@pine/core/length'
import { type SetupSheet } from '@pine/core/sheet'
import { describeProblem } from '@pine/core/words'
import type { Enter } from '@/data/outbox/fact-draft'
import { sendable } from '@/data/server/api'
import { Button } from '@/kit/button'
import { Field } from '@/kit/entry/field'
import { Column } from '@/kit/surfaces'
import { Words } from '@/kit/words'

export interface RuleEntryProps {
  readonly sheet: SetupSheet
  readonly tool: number
  readonly enter: Enter
  readonly onClose: () => void
}

/** One rough number of a tool: no register is made of it, it only says what a touch should read. */
export function RuleEntry({ sheet, tool, enter, onClose }: RuleEntryProps) {
  const [text, setText] = useState('')
  const [unit, setUnit] = useState(sheet.unit)
  const [problem, setProblem] = useState<string>()
  const take = () => {
    const rough = { text: text.trim(), unit }
    const read = readLength(rough, { place: 'rough', sign: 'positive' })
    if (!read.ok) return setProblem(describeProblem(read.problem).message)
    void enter({ kind: 'sheet', body: sendable(withRule(sheet, tool, rough)) })
    onClose()
  }
  return (
    <Column gap="$3">
      <Words as="title">Hold a rule to T{tool}, from the nose to the tip.</Words>
      <Field
        label="Roughly"
        value={text}
        onChange={(next) => {
          setText(next)
          setProblem(undefined)
        }}
        unit={unit}
        onUnit={() => setUnit(otherUnit(unit))}
        problem={problem}
        note="Give or take a millimetre. It keys nothing: it only tells a reading that cannot be."
        testID="rule"
      />
      <Button kind="act" onPress={take} testID="rule-taken">
        Expect that
      </Button>
    </Column>
  )
}
