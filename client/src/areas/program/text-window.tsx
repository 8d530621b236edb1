import { useEffect, useState } from 'react'
import { View } from '@tamagui/core'
import type { ProgramText } from '@/data/program/program-text'
import { Button } from '@/kit/button'
import { Scroll } from '@/kit/frame/scroll'
import { Column, Row } from '@/kit/surfaces'
import { Digits, Words } from '@/kit/words'
import { around, earlier, later, type LineRange } from './line-range'

/** Some lines of the program about a place, with the marked ones told; more of it earlier and later. */
export function TextWindow({
  program,
  line,
  marked,
}: {
  readonly program: ProgramText
  readonly line: number
  readonly marked: ReadonlySet<number>
}) {
  const last = program.reading.lines
  const [range, setRange] = useState<LineRange>(() => around(line, last))
  const [text, setText] = useState<
    { readonly from: number; readonly lines: readonly string[] } | 'missing'
  >()
  useEffect(() => {
    let wanted = true
    program.lines(range.from, range.to).then(
      (lines) => wanted && setText({ from: range.from, lines }),
      () => wanted && setText('missing'),
    )
    return () => {
      wanted = false
    }
  }, [program, range])
  if (text === 'missing')
    return (
      <Words as="note" role="status">
        Its text is not at hand: it was too long to be kept, or there was no connection. Pick the
        file to see its lines.
      </Words>
    )
  return (
    <Column gap="$2" testID="text-window">
      <Scroll label="lines of the program" horizontal backgroundColor="$tray" borderRadius="$small">
        <View padding="$2" minWidth="100%">
          {text === undefined && <Words as="note">Looking it up …</Words>}
          {text?.lines.map((one, index) => {
            const number = text.from + index
            const here = number === line
            return (
              <Row
                key={number}
                gap="$3"
                backgroundColor={here ? '$cautionPaper' : undefined}
                aria-current={here ? 'location' : undefined}
              >
                <Digits as="note" tone={marked.has(number) ? 'wrong' : 'soft'} minWidth={52}>
                  {marked.has(number) ? `▸ ${number}` : number}
                </Digits>
                <Digits as="note" whiteSpace="pre" fontWeight={here ? '600' : '400'}>
                  {one}
                </Digits>
              </Row>
            )
          })}
        </View>
      </Scroll>
      <Row>
        {range.from > 1 && (
          <Button kind="plain" onPress={() => setRange(earlier)}>
            Earlier
          </Button>
        )}
        {range.to < last && (
          <Button kind="plain" onPress={() => setRange(later(last))}>
            Later
          </Button>
        )}
      </Row>
    </Column>
  )
}
