import { type NeedBeside, type OperationNeeds, type Step } from '@pine/core/plan'
import { type ProgramReading } from '@pine/core/program'
import { machineExtents } from '@pine/core/running'
import { describeCutting, describeExtents, describeProofReasons } from '@pine/core/words'
import { TRUST_NAMES, TrustMark } from '@/kit/trust-mark'
import { minutesText } from '@/kit/size-text'
import { Card, Column, Row } from '@/kit/surfaces'
import { Digits, Words } from '@/kit/words'
import { lengthWriter } from '@/areas/run/frame/entry/write-length'
import type { LoadedSetup } from '@/data/setup/standing'

export interface NeedsListProps {
  readonly needs: readonly OperationNeeds[]
  readonly setup: LoadedSetup
  readonly unit: ProgramReading['unit']
  readonly onStep: (step: string) => void
  readonly onSheet: () => void
}

/** Tool by tool: what the program calls for beside what is there. A tap leads to the step that mends it. */
export function NeedsList({ needs, setup, unit, onStep, onSheet }: NeedsListProps) {
  const { document, solution } = setup
  const write = lengthWriter(solution)
  return (
    <Column gap="$3">
      <Words as="note">
        Times are at feed and 100 % alone: rapids, speeding up and tool changes come on top.
      </Words>
      {needs.map(({ operation, onSheet: known, needs: registers, provenBecause }) => (
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
              <Ranges key={row} frame={row} unit={solution.unit}>
                {describeExtents(extents, write)}
              </Ranges>
            ))}
            {machineExtents(operation, document, solution).map(({ row, extents }) => (
              <Ranges key={row} frame={`machine, ${row}`} unit={solution.unit}>
                {describeExtents(extents, write)}
              </Ranges>
            ))}
            <Row flexWrap="wrap" gap="$3" rowGap={0}>
              {describeCutting(operation, unit).map((words) => (
                <Digits key={words} as="note">
                  {words}
                </Digits>
              ))}
              {operation.cutMinutes > 0 && (
                <Digits as="note">{minutesText(operation.cutMinutes)} at feed</Digits>
              )}
              {operation.firstApproach && (
                <Digits as="note">first Z in line {operation.firstApproach.line}</Digits>
              )}
            </Row>
            {provenBecause !== undefined && known && (
              <Words as="note">
                {describeProofReasons(provenBecause) ??
                  'Not proven: the machine’s policy proves the riskiest.'}
              </Words>
            )}
            {operation.uncertain && (
              <Words as="note" tone="caution" strong>
                Not all of it was followed: it may reach further.
              </Words>
            )}
          </Column>
          {!known && (
            <NeedRow
              address={`T${operation.tool}`}
              state="not-on-sheet"
              verb="To the sheet"
              onPress={onSheet}
            />
          )}
          {registers.map(({ address, state, step }) => (
            <NeedRow
              key={address}
              address={address}
              state={state}
              verb={state === 'not-on-sheet' ? 'To the sheet' : step && VERBS[step.does]}
              onPress={() => (step === undefined ? onSheet() : onStep(step.key))}
            />
          ))}
        </Card>
      ))}
    </Column>
  )
}

/** Lowest and highest of each axis, in one frame. */
function Ranges({
  frame,
  unit,
  children,
}: {
  readonly frame: string
  readonly unit: string
  readonly children: readonly string[]
}) {
  return (
    <Row flexWrap="wrap" gap="$3" rowGap={0}>
      <Digits as="note">
        {frame}, {unit}
      </Digits>
      {children.map((range) => (
        <Digits key={range} as="note">
          {range}
        </Digits>
      ))}
    </Row>
  )
}

/** What is to be done there. */
const VERBS: Readonly<Record<Step['does'], string>> = {
  sheet: 'To the sheet',
  check: 'See to it',
  read: 'Read it',
  'key-in': 'Key it in',
  prove: 'Prove it',
  record: 'Release it',
}

function NeedRow({
  address,
  state,
  verb,
  onPress,
}: Pick<NeedBeside, 'address' | 'state'> & {
  /** Absent where nothing is to be done. */
  readonly verb: string | undefined
  readonly onPress: () => void
}) {
  const missing = state === 'not-on-sheet' || state === 'not-read' || state === 'stale'
  const words = state === 'not-on-sheet' ? 'not on the sheet' : TRUST_NAMES[state]
  const content = (
    <>
      <TrustMark state={state === 'not-on-sheet' ? 'not-read' : state} size={22} />
      <Digits as="lead" width={64} textAlign="left">
        {address}
      </Digits>
      <Words flex={1} tone={missing ? 'wrong' : 'ink'} textAlign="left">
        {words}
      </Words>
      {verb !== undefined && (
        <Words tone="act" strong>
          {verb}
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
  return verb === undefined ? (
    <Row {...look}>{content}</Row>
  ) : (
    <Row
      render="button"
      backgroundColor="$card"
      borderWidth={0}
      {...look}
      cursor="pointer"
      onPress={onPress}
      aria-label={`${address}: ${words}. ${verb}`}
      testID={`need-${address}`}
    >
      {content}
    </Row>
  )
}
