import type { ReactNode } from 'react'
import { Button } from '@/kit/button'
import { Card, Row } from '@/kit/surfaces'
import { Words } from '@/kit/words'

interface FoldedProps {
  readonly title: string
  /** What is declared, in a line each; shown while it is folded. */
  readonly lines: readonly string[]
  readonly open: boolean
  readonly onOpen: () => void
  readonly testID: string
  readonly children: ReactNode
}

/** A part of the sheet that is known already: told in a few lines, and opened to change it. */
export function Folded({ title, lines, open, onOpen, testID, children }: FoldedProps) {
  return (
    <Card padded gap={open ? '$4' : '$1'}>
      <Row justifyContent="space-between" alignItems="center">
        <Words as="title" role="heading" aria-level={2} flexShrink={1}>
          {title}
        </Words>
        {!open && (
          <Button kind="plain" onPress={onOpen} testID={testID} label={`change: ${title}`}>
            Change
          </Button>
        )}
      </Row>
      {open ? children : lines.map((line) => <Words key={line}>{line}</Words>)}
    </Card>
  )
}
