import { useState } from 'react'
import { useMedia } from '@tamagui/core'
import { useDraft } from '@/data/device/drafts'
import { Button } from '@/kit/button'
import { Choice } from '@/kit/entry/choice'
import { Field } from '@/kit/entry/field'
import { Card, Column, Row } from '@/kit/surfaces'
import { Digits, Words } from '@/kit/words'
import type { ProofStepProps } from '../frame/step-props'
import { ProofDrawing } from '@/drawings/proof-drawing'
import { EntryFrame } from '../frame/entry/entry-frame'
import { NumbersEntry } from '../frame/entry/numbers-entry'
import { useNumbers } from '../frame/entry/use-numbers'
import { CheckFrame } from '../frame/entry/check-frame'
import { ProofOutcome } from './proof-outcome'
import {
  leftUnproven,
  OWN_HEIGHT,
  proofByEye,
  proofDraft,
  proofDraftVerdict,
  proofThatPasses,
  proofView,
  stopWords,
  type ProofEntry,
  type ProofView,
  type Seen,
} from './proof-view'
import { SpindleAtProof } from './spindle-at-proof'
import { bothSay, spindleSeen, stillToSay } from './spindle-seen'
import { ReasonField } from '@/kit/entry/reason-field'

type Key = 'position' | 'distanceToGo' | 'gap'

/** A cautious move: two blocks to type, what to see on the way, and what the gap at the end says. */
export function ProofStep(props: ProofStepProps) {
  const { setupId, setup, row, tool, enter, onDone } = props
  const { wide, small } = useMedia()
  const place = `${setupId}:${row}:T${tool}`
  const seen = useDraft<Seen>(`proof-seen:${place}`, {})
  const numbers = useNumbers<Key>(`proof:${place}`, setup.document.sheet.unit, [
    { key: 'position', label: 'At a stop: work Z', optional: true },
    { key: 'distanceToGo', label: 'and distance to go', optional: true },
    { key: 'gap', label: 'Block that just passes', sign: 'not-negative' },
  ])
  const [again, setAgain] = useState(false)
  const [submitted, setSubmitted] = useState(false)
  const view = proofView(setup, { row, tool }, seen.value, again)
  if (view === undefined) return null
  const see = (next: Seen) => seen.set({ ...seen.value, ...next })
  if (view.verdict !== undefined)
    return (
      <ProofOutcome
        {...props}
        verdict={view.verdict}
        onAgain={() => {
          numbers.clear()
          setAgain(true)
        }}
      />
    )
  const spindle = (asksBoth: boolean) => (
    <SpindleAtProof
      tools={setup.document.sheet.tools}
      tool={tool}
      seen={seen.value}
      onSee={see}
      asksActive={view.asksActive}
      verdictWords={view.spindleElse}
      asksBoth={asksBoth}
    />
  )
  const enterProof = (made: ProofEntry) => {
    void enter(made)
    numbers.clear()
    seen.clear()
    setAgain(false)
    if (proofDraftVerdict(setup, made)?.right === true) onDone()
  }
  if (view.shows === 'move') {
    const drawing = (
      <Card>
        <ProofDrawing
          move={view.move}
          tool={tool}
          block={view.block}
          height={wide ? 220 : small ? 150 : 180}
        />
      </Card>
    )
    return (
      <CheckFrame
        words={{ title: '', sentence: view.heading, points: [], caution: view.caution, done: '' }}
        after={
          <>
            {small && drawing}
            <Button
              kind="plain"
              onPress={() => enterProof(proofByEye(setup, { row, tool }, view.clearance))}
              testID="by-eye"
            >
              No block: it looks right by eye
            </Button>
            <ReasonField
              offer="Not proven this time"
              question="Why is it left out?"
              confirm="Accept it unproven"
              onReason={(reason) => {
                for (const draft of leftUnproven(setup, { row, tool }, reason)) void enter(draft)
                onDone()
              }}
            />
          </>
        }
        foot={
          <>
            <Button onPress={() => see({ there: true })} testID="not-so">
              It stands otherwise
            </Button>
            {view.spindleElse === undefined && (
              <Button
                kind="act"
                focused
                onPress={() => enterProof(proofThatPasses(setup, { row, tool }, view.clearance))}
                testID="passes"
              >
                {view.passes}
              </Button>
            )}
          </>
        }
      >
        <MoveCard view={view} />
        {spindle(false)}
        {!small && drawing}
        {view.heights.length > 1 && (
          <Choice
            label="Which block is to pass beneath?"
            value={seen.value.clearance ?? view.clearance.text}
            onChange={(clearance) => see({ clearance })}
            options={view.heights}
          />
        )}
        {seen.value.clearance === OWN_HEIGHT && (
          <Field
            label="Height above zero to stop at"
            value={seen.value.own ?? ''}
            unit={setup.document.sheet.unit}
            onChange={(own) => see({ own })}
            testID="own-height"
          />
        )}
      </CheckFrame>
    )
  }
  const typed = (key: Key) => (numbers.isEmpty(key) ? undefined : numbers.written(key))
  const { overZero } = seen.value
  const draft = proofDraft({ row, tool }, view.clearance, {
    position: typed('position'),
    distanceToGo: typed('distanceToGo'),
    gap: typed('gap'),
    overZero,
    spindle: spindleSeen(setup, seen.value),
  })
  const verdictWords = draft && proofDraftVerdict(setup, draft)
  const stop = stopWords(setup, view.clearance, {
    position: typed('position'),
    distanceToGo: typed('distanceToGo'),
  })
  const missing = submitted ? stillToSay(setup, seen.value) : undefined
  const submit = () => {
    if (!numbers.complete()) return
    if (draft === undefined) return setSubmitted(true)
    enterProof(draft)
  }
  return (
    <EntryFrame
      numbers={
        <Column gap={4}>
          <NumbersEntry numbers={numbers} onSubmit={submit} />
          {stop !== undefined && (
            <Words tone="wrong" strong role="alert" testID="stop-says">
              {stop}
            </Words>
          )}
          {verdictWords && stop === undefined && (
            <Words as="note" tone={verdictWords.right ? 'act' : 'wrong'} strong testID="gap-says">
              {verdictWords.words}
            </Words>
          )}
        </Column>
      }
      problem={numbers.problem ?? missing}
      // On a small phone the questions have scrolled away: they are answered where Next says that they are open.
      remedy={
        missing === undefined ? undefined : (
          <StillOpen seen={seen.value} tool={tool} asksActive={view.asksActive} onSee={see} />
        )
      }
      {...numbers.keys}
      onNext={submit}
      next="Next"
    >
      <Words as="sentence" role="heading" aria-level={1}>
        Which block just passes under T{tool}?
      </Words>
      <Choice
        label="Does the tip stand over X0 Y0, as the drawing has it?"
        value={overZero}
        onChange={(next) => see({ overZero: next })}
        options={[
          { value: 'yes', label: 'yes' },
          { value: 'no', label: 'no' },
        ]}
      />
      {spindle(true)}
      <MoveCard view={view} />
      <Button kind="plain" onPress={() => see({ there: false })}>
        Back to the move
      </Button>
    </EntryFrame>
  )
}

interface StillAskedProps {
  readonly seen: Seen
  readonly tool: number
  readonly asksActive: boolean
  readonly onSee: (next: Seen) => void
}

/** What a gap is waiting for, as presses. */
const StillOpen = ({ seen, tool, asksActive, onSee }: StillAskedProps) =>
  seen.overZero === undefined ? (
    <Row>
      <Button onPress={() => onSee({ overZero: 'yes' })}>It does</Button>
      <Button onPress={() => onSee({ overZero: 'no' })}>It does not</Button>
    </Row>
  ) : (
    <Button
      onPress={() => onSee({ holds: String(tool), controlSays: String(tool) })}
      testID="still-both"
    >
      {bothSay(tool, asksActive)}
    </Button>
  )

/** The blocks that make the move, as they are typed. */
function MoveCard({ view: { retract, blocks, ends, why, before } }: { readonly view: ProofView }) {
  return (
    <Card padded gap="$1">
      {retract === undefined ? (
        <Words strong testID="retract">
          First raise Z by hand, until nothing stands in its way.
        </Words>
      ) : (
        <Digits as="number" fontSize={24} lineHeight={34} testID="retract">
          {retract}
        </Digits>
      )}
      {blocks.map((block) => (
        <Digits key={block} as="number" fontSize={24} lineHeight={34} testID="block">
          {block}
        </Digits>
      ))}
      <Words strong>{before.from}</Words>
      <Row alignItems="baseline" gap="$2">
        <Digits as="number" testID="to-go">
          {before.must}
        </Digits>
        <Words strong>else stop.</Words>
      </Row>
      <Words as="note">{ends}</Words>
      {why !== undefined && <Words as="note">{why}</Words>}
    </Card>
  )
}
