import { View } from '@tamagui/core'
import type { Address } from '@pine/core/address'
import { useDraft } from '@/data/device/drafts'
import type { Enter } from '@/data/outbox/fact-draft'
import type { LoadedSetup } from '@/data/setup/standing'
import { Button } from '@/kit/button'
import { Row } from '@/kit/surfaces'
import { Words } from '@/kit/words'
import { conflictViews } from './conflict-view'

export interface ConflictBannerProps {
  readonly setupId: string
  readonly setup: LoadedSetup
  readonly enter: Enter
  readonly onRegister: (address: Address) => void
  /** The register whose step is open: that step itself says what is wrong with it. */
  readonly at: Address | undefined
}

/** What two devices did that did not know of each other, at whatever step, on both, until it was seen or answered. */
export function ConflictBanner({ setupId, setup, enter, onRegister, at }: ConflictBannerProps) {
  const seen = useDraft<readonly string[]>(`conflicts-seen:${setupId}`, [])
  const open = conflictViews(setup).find(
    ({ key, answers }) =>
      !seen.value.includes(key) && !answers.some(({ leadsTo }) => leadsTo && leadsTo === at),
  )
  if (open === undefined) return null
  const { key, title, lines, answers, putAway } = open
  return (
    <View
      role="alert"
      backgroundColor="$wrongPaper"
      borderColor="$wrong"
      borderTopWidth={2}
      borderBottomWidth={2}
      paddingHorizontal="$3"
      paddingVertical="$1"
      gap="$1"
      testID="conflict"
    >
      <Words tone="wrong" strong>
        {title}
      </Words>
      {lines.map((line) => (
        <Words key={line} as="note" tone="wrong">
          {line}
        </Words>
      ))}
      <Row flexWrap="wrap" gap="$2">
        {answers.map(({ label, draft, leadsTo }) => (
          <Button
            key={label}
            grow
            kind="wrong"
            onPress={() => {
              if (draft !== undefined) void enter(draft)
              if (leadsTo !== undefined) onRegister(leadsTo)
            }}
          >
            {label}
          </Button>
        ))}
        {putAway !== undefined && (
          <Button kind="plain" onPress={() => seen.set([...seen.value, key])}>
            {putAway}
          </Button>
        )}
      </Row>
    </View>
  )
}
