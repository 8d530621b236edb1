import { useRouter } from 'expo-router'
import { useMedia } from '@tamagui/core'
import { sendable } from '@/data/server/api'
import type { Enter } from '@/data/outbox/fact-draft'
import type { LoadedSetup } from '@/data/setup/standing'
import { usePockets } from '@/data/shop/tools'
import { Button } from '@/kit/button'
import { Caution } from '@/kit/caution'
import { Scroll } from '@/kit/frame/scroll'
import { Card, Column, Line } from '@/kit/surfaces'
import { Digits, Words } from '@/kit/words'
import { withRecheckTool } from './quick-sheet'
import { recheckLines } from './recheck-view'

/** Nothing of a recheck is open: what came of it, and the other tools of the machine. */
export function RecheckNext({
  setup,
  enter,
}: {
  readonly setup: LoadedSetup
  readonly enter: Enter
}) {
  const router = useRouter()
  const { wide } = useMedia()
  const sheet = setup.sheetAsWritten
  const others = (usePockets(sheet.machineId) ?? []).filter(
    ({ pocket }) => !sheet.tools.some(({ number }) => number === pocket),
  )
  const lines = recheckLines(setup)
  const room = wide ? 24 : 12
  return (
    <Column flex={1} gap={0}>
      <Scroll label="measured again" flex={1} contentContainerStyle={{ padding: room, gap: 12 }}>
        <Words as="sentence" role="heading" aria-level={1}>
          Measured again. Another one?
        </Words>
        <Card overflow="hidden" role="list" testID="rechecked">
          {lines.map(({ tool, text }, index) => (
            <Line key={tool} first={index === 0} apart role="listitem">
              <Words strong>{tool}</Words>
              <Digits>{text}</Digits>
            </Line>
          ))}
        </Card>
        {lines.some(({ kept }) => !kept) && (
          <Caution>
            What was corrected is not proven yet. First move in single block, rapid at its lowest, a
            thumb on feed hold.
          </Caution>
        )}
        {others.map((one) => (
          <Button
            key={one.id}
            onPress={() =>
              void enter({ kind: 'sheet', body: sendable(withRecheckTool(sheet, one)) })
            }
            testID={`recheck-T${one.pocket}`}
          >
            {`T${one.pocket} ${one.tool.name}`}
          </Button>
        ))}
      </Scroll>
      <Column padding={room} paddingTop={8}>
        <Button kind="act" onPress={() => router.replace('/tools')} testID="recheck-done">
          Done
        </Button>
      </Column>
    </Column>
  )
}
