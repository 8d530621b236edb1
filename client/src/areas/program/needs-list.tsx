import { describeExtents, type NeedBeside, type OperationNeeds, type Solution } from '@pine/core'
import { TRUST_NAMES, TrustMark } from '@/kit/trust-mark'
import { Card, Column, Row } from '@/kit/surfaces'
import { Digits, Words } from '@/kit/words'
import { lengthWriter } from '@/areas/run/write-length'

export interface NeedsListProps {
  readonly needs: readonly OperationNeeds[]
  readonly solution: Solution
  readonly onStep: (step: string) => void
  readonly onSheet: () => void
}

/** Tool by tool: what the program calls for beside what is there. A tap leads to the step that mends it. */
export function NeedsList({ needs, solution, onStep, onSheet }: NeedsListProps) {
  const write = lengthWriter(solution)
  return (
    <Column gap="$3">
      {needs.map(({ operation, onSheet: known, needs: registers }) => (
        <Card key={operation.from.line} overflow="hidden" testID={`operation-T${operation.tool}`}>
          <Column padding="$3" gap={2}>
            <Row justifyContent="space-between" alignItems="baseline">
              <Words as="lead" strong flexShrink={1}>
                {operation.tool === undefined ? 'Before any tool' : `T${operation.tool}`}{' '}
                {operation.name}
              </Words>
              <Words as="note">line {operation.from.line}</Words>
            </Row>
            {operation.rows.map(({ row, extents }) => (
              <Digits key={row} as="note">
                {row} {describeExtents(extents, write)} {solution.unit}
              </Digits>
            ))}
            {operation.uncertain && (
              <Words as="note" tone="caution" strong>
                Not all of it was followed: it may reach further.
              </Words>
            )}
          </Column>
          {!known && (
            <NeedRow address={`T${operation.tool}`} state="not-on-sheet" onPress={onSheet} />
          )}
          {registers.map(({ address, state, step }) => (
            <NeedRow
              key={address}
              address={address}
              state={state}
              onPress={
                state === 'not-on-sheet'
                  ? onSheet
                  : step === undefined
                    ? undefined
                    : () => onStep(step)
              }
            />
          ))}
        </Card>
      ))}
    </Column>
  )
}

function NeedRow({
  address,
  state,
  onPress,
}: Pick<NeedBeside, 'address' | 'state'> & { readonly onPress: (() => void) | undefined }) {
  const missing = state === 'not-on-sheet' || state === 'not-read' || state === 'stale'
  const words = state === 'not-on-sheet' ? 'not on the sheet' : TRUST_NAMES[state]
  const content = (
    <>
      <TrustMark state={state === 'not-on-sheet' ? 'not-read' : state} size={22} />
      <Digits as="lead" minWidth={56}>
        {address}
      </Digits>
      <Words flex={1} tone={missing ? 'wrong' : 'ink'}>
        {words}
      </Words>
      {onPress && (
        <Words tone="act" strong>
          {state === 'not-on-sheet' ? 'To the sheet' : 'Do it'}
        </Words>
      )}
    </>
  )
  const look = {
    minHeight: 48,
    paddingHorizontal: '$3',
    gap: '$3',
    borderTopWidth: 1,
    borderColor: '$line',
  } as const
  return onPress === undefined ? (
    <Row {...look}>{content}</Row>
  ) : (
    <Row
      {...look}
      render="button"
      backgroundColor="$card"
      borderWidth={0}
      borderTopWidth={1}
      cursor="pointer"
      onPress={onPress}
      aria-label={`${address}: ${words}, ${state === 'not-on-sheet' ? 'to the sheet' : 'do it'}`}
      testID={`need-${address}`}
    >
      {content}
    </Row>
  )
}
