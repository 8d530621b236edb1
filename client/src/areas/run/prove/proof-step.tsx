import { useState } from 'react'
import { useMedia } from 'tamagui'
import { v7 as uuid } from 'uuid'
import { offsetAddress } from '@pine/core/address'
import { formatLength, readLength, type WrittenLength } from '@pine/core/length'
import { addressesOf, proofMove, proofVerdict } from '@pine/core/proof'
import { describeProof, typographic } from '@pine/core/words'
import { useDraft } from '@/data/drafts'
import { previewed } from '@/data/preview'
import { Button } from '@/kit/button'
import { Choice } from '@/kit/choice'
import { Card, Column } from '@/kit/surfaces'
import { Digits, Words } from '@/kit/words'
import { CheckFrame } from '../ready/check-frame'
import { EntryFrame } from '../read/entry-frame'
import { ProofSaid } from './proof-said'
import { ReasonField } from './reason-field'
import { RegisterPicture } from '../key-in/register-picture'
import type { ProofStepProps } from '../frame/step-props'
import { NumbersEntry } from '../read/numbers-entry'
import { useNumbers } from '../read/use-numbers'
import { lengthWriter } from '../frame/write-length'

type Key = 'position' | 'distanceToGo' | 'gap'

interface Seen {
  /** The move was made: what was seen there is asked next. */
  readonly there?: boolean
  readonly clearance?: string
  readonly overZero?: 'yes' | 'no'
}

const CAUTION =
  'Single block, rapid at its lowest, a thumb on feed hold. Stop part way and look: is the distance to go what the eye sees? Without G43 the nose goes where the tip should.'

/** A cautious move: two blocks to type, what to see on the way, and what the gap at the end says. */
export function ProofStep(props: ProofStepProps) {
  const { setupId, setup, row, tool, enter, onDone } = props
  const { document, solution } = setup
  const { unit } = document.sheet
  const { wide } = useMedia()
  const place = `${setupId}:${row}:T${tool}`
  const seen = useDraft<Seen>(`proof-seen:${place}`, {})
  const numbers = useNumbers<Key>(`proof:${place}`, unit, [
    { key: 'position', label: 'At a stop: work Z', optional: true },
    { key: 'distanceToGo', label: 'and distance to go', optional: true },
    { key: 'gap', label: 'Block that just passes', sign: 'not-negative' },
  ])
  const [again, setAgain] = useState(false)
  const [asked, setAsked] = useState(false)
  const blocks = clearances(setup)
  const clearance = blocks.find(({ text }) => text === seen.value.clearance) ?? blocks[0]
  const read = clearance && readLength(clearance)
  const move =
    read?.ok === true
      ? proofMove(document, solution, { row, tool, clearance: read.value.nm })
      : undefined
  const standing = solution.proofs.find(({ proof }) => proof.row === row && proof.tool === tool)
  const here = setup.steps.find(({ step }) => step.key === `prove:${row}:T${tool}`)
  if (clearance === undefined || move === undefined) return null
  if (!again && standing !== undefined && (here?.done === true || !standing.right))
    return (
      <ProofSaid
        {...props}
        verdict={standing}
        onAgain={() => {
          numbers.clear()
          setAgain(true)
        }}
      />
    )

  const heading = `Send T${tool} over zero, ${clearance.text} ${clearance.unit} above.`
  const blockCard = (
    <Card padded gap="$1">
      {move.retract === undefined ? (
        <Words strong testID="retract">
          First raise Z by hand, until nothing stands in its way.
        </Words>
      ) : (
        <Digits as="number" fontSize={24} lineHeight={34} testID="retract">
          {move.retract}
        </Digits>
      )}
      {move.blocks.map((block) => (
        <Digits key={block} as="number" fontSize={24} lineHeight={34} testID="block">
          {block}
        </Digits>
      ))}
      <Words as="note">
        ends at machine Z {typographic(formatLength(move.machine.Z, unit, solution.decimals))}{' '}
        {unit}; position + distance to go = {clearance.text} all the way
      </Words>
    </Card>
  )
  if (seen.value.there !== true)
    return (
      <CheckFrame
        words={{ title: '', sentence: heading, points: [], caution: CAUTION, done: '' }}
        foot={
          <>
            <LeaveOut {...props} />
            <Button
              kind="act"
              focused
              onPress={() => seen.set({ ...seen.value, there: true })}
              testID="next"
            >
              It stands there
            </Button>
          </>
        }
      >
        {blockCard}
        {blocks.length > 1 && (
          <Choice
            label="Which block is to pass beneath?"
            value={clearance.text}
            onChange={(text) => seen.set({ ...seen.value, clearance: text })}
            options={blocks.map(({ text, unit: of }) => ({ value: text, label: `${text} ${of}` }))}
          />
        )}
        {wide && <RegisterPicture setup={setup} address={offsetAddress(row, 'Z')} />}
      </CheckFrame>
    )
  const complete = !numbers.isEmpty('gap') && seen.value.overZero !== undefined
  const body = {
    row,
    tool,
    clearance,
    gap: numbers.written('gap'),
    overZero: seen.value.overZero === 'yes',
    ...(numbers.isEmpty('position') || numbers.isEmpty('distanceToGo')
      ? {}
      : {
          stop: {
            position: numbers.written('position'),
            distanceToGo: numbers.written('distanceToGo'),
          },
        }),
  }
  const verdict = complete
    ? proofVerdict(document, solution, { ...previewed(document), ...body })
    : undefined
  const submit = () => {
    if (!numbers.complete()) return
    if (seen.value.overZero === undefined) return setAsked(true)
    void enter({ id: uuid(), kind: 'proof', body })
    numbers.clear()
    seen.clear()
    setAgain(false)
    if (verdict?.right === true) onDone()
  }
  return (
    <EntryFrame
      numbers={
        <Column gap={4}>
          <NumbersEntry numbers={numbers} onSubmit={submit} />
          {verdict && (
            <Words as="note" tone={verdict.right ? 'act' : 'wrong'} strong testID="gap-says">
              {describeProof(verdict, (nm) => `${lengthWriter(solution)(nm)} ${unit}`)}
            </Words>
          )}
        </Column>
      }
      problem={
        numbers.problem ??
        (asked && seen.value.overZero === undefined
          ? 'Say whether the tip stands over X0 Y0 as the drawing has it.'
          : undefined)
      }
      {...numbers.keys}
      onNext={submit}
      next="Next"
    >
      <Words as="sentence" role="heading" aria-level={1}>
        Which block just passes under T{tool}?
      </Words>
      {blockCard}
      <Choice
        label="Does the tip stand over X0 Y0, as the drawing has it?"
        value={seen.value.overZero}
        onChange={(overZero) => seen.set({ ...seen.value, overZero })}
        options={[
          { value: 'yes', label: 'yes' },
          { value: 'no', label: 'no' },
        ]}
      />
      <Button kind="plain" onPress={() => seen.set({ ...seen.value, there: false })}>
        Back to the move
      </Button>
    </EntryFrame>
  )
}

/** Heights that can be checked: what is at hand, and always one of the usual height. */
function clearances({ document: { sheet } }: ProofStepProps['setup']): readonly WrittenLength[] {
  const usual: WrittenLength =
    sheet.unit === 'mm' ? { text: '25.000', unit: 'mm' } : { text: '1.0000', unit: 'in' }
  const atHand = sheet.gauges
    .filter(({ kind }) => kind === 'gauge-block' || kind === 'height-setter')
    .map(({ size }) => size)
  return atHand.length > 0 ? atHand : [usual]
}

/** What was not proven may be accepted, by name and with a reason. */
function LeaveOut({ setup: { document }, row, tool, enter, onDone }: ProofStepProps) {
  return (
    <ReasonField
      offer="Not proven this time"
      question="Why is it left out?"
      confirm="Accept it unproven"
      onReason={(reason) => {
        for (const address of addressesOf(document, { row, tool }))
          void enter({
            id: uuid(),
            kind: 'acceptance',
            body: { address, accepts: 'unproven', reason },
          })
        onDone()
      }}
    />
  )
}
