import type { Tool } from '@pine/core/sheet'
import { Button } from '@/kit/button'
import { Row } from '@/kit/surfaces'
import { Words } from '@/kit/words'
import { counted, countsWith, touchedAfterAll, type KnownElsewhere } from './known-lengths'

/** Both may be offered for one tool: each is called what it is. */
const OFFERS: Readonly<Record<KnownElsewhere['by'], (tool: number) => string>> = {
  bench: (tool) => `do not touch T${tool}`,
  measured: (tool) => `count T${tool} as it was measured`,
}

/** What was measured elsewhere of a tool: where its seat allows it, it may count without a touch. */
export function KnownLength({
  known,
  tool,
  onChange,
}: {
  readonly known: KnownElsewhere
  readonly tool: Tool
  readonly onChange: (tool: Tool) => void
}) {
  const counts = countsWith(known, tool)
  // Another length was typed, or is counted with already.
  if (tool.length !== undefined && !counts) return null
  return (
    <>
      <Words as="note">
        {counts
          ? `Counted with its length ${known.by === 'bench' ? 'from the bench' : 'as it was measured'}: no touch.`
          : known.words}
      </Words>
      {known.holds && (
        <Row>
          <Button
            kind="plain"
            label={counts ? `touch T${tool.number}` : OFFERS[known.by](tool.number)}
            onPress={() => onChange(counts ? touchedAfterAll(tool) : counted(tool, known))}
          >
            {counts ? 'Touch it after all' : 'Use it, no touch'}
          </Button>
        </Row>
      )}
    </>
  )
}
