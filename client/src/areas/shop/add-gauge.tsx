import { useState } from 'react'
import { otherUnit, readLength, type LengthUnit } from '@pine/core/length'
import { GAUGE_FACTS, GAUGE_KINDS, TURNING_GAUGES, type GaugeKind } from '@pine/core/touch'
import { describeProblem, GAUGE_NAMES, MEASURE_NAMES } from '@pine/core/words'
import { failureWords } from '@/data/api'
import { useGauges } from '@/data/shop'
import { Button } from '@/kit/button'
import { Choice } from '@/kit/choice'
import { Field } from '@/kit/field'
import { Card, Row } from '@/kit/surfaces'
import { SpeedField } from './speed-field'
import { turnsOf } from './turns'

/** A gauge with its true size. Also used while a set-up is made. */
export function AddGauge({ onDone }: { onDone: (id?: string) => void }) {
  const { add } = useGauges()
  const [kind, setKind] = useState<GaugeKind>('height-setter')
  const [name, setName] = useState('')
  const [size, setSize] = useState('')
  const [unit, setUnit] = useState<LengthUnit>('mm')
  const [wall, setWall] = useState('')
  const [maxSpeed, setMaxSpeed] = useState('')
  const [problem, setProblem] = useState<string>()
  const turns = TURNING_GAUGES.includes(kind)
  const submit = async () => {
    const read = readLength({ text: size, unit }, { sign: 'positive' })
    if (!read.ok) {
      const words = describeProblem(read.problem)
      return setProblem(`${words.message} ${words.remedy}`)
    }
    const hasWall = kind === 'plate' && wall.trim() !== ''
    const readWall = readLength({ text: wall, unit }, { sign: 'positive' })
    if (hasWall && !readWall.ok) {
      const words = describeProblem(readWall.problem)
      return setProblem(`Its wall: ${words.message} ${words.remedy}`)
    }
    try {
      const added = await add({
        kind,
        name: name.trim() === '' ? `${size} ${unit} ${GAUGE_NAMES[kind]}` : name.trim(),
        size: { text: size, unit },
        ...(hasWall && { wall: { text: wall, unit } }),
        ...(turns && turnsOf(maxSpeed) !== undefined && { maxSpeed: turnsOf(maxSpeed) }),
      })
      onDone(added.id)
    } catch (cause) {
      setProblem(failureWords(cause))
    }
  }
  return (
    <Card padded gap="$3">
      <Choice
        label="What is it?"
        value={kind}
        onChange={setKind}
        options={GAUGE_KINDS.map((value) => ({ value, label: GAUGE_NAMES[value] }))}
      />
      <Field
        label={`Its ${MEASURE_NAMES[GAUGE_FACTS[kind].measure]}, as marked or measured`}
        value={size}
        onChange={setSize}
        unit={unit}
        onUnit={() => setUnit(otherUnit)}
        problem={problem}
        testID="gauge-size"
      />
      {kind === 'plate' && (
        <Field
          label="Thickness of its wall, which counts in X and Y"
          value={wall}
          onChange={setWall}
          unit={unit}
          note="Left empty, it is used in Z alone."
          testID="gauge-wall"
        />
      )}
      {turns && (
        <SpeedField
          label="Turns a minute that it bears"
          value={maxSpeed}
          onChange={setMaxSpeed}
          note="As marked on it, or in its leaflet. A program that leaves more on the control is told of."
          testID="gauge-speed"
        />
      )}
      <Field
        label="What you call it"
        value={name}
        onChange={setName}
        hint={GAUGE_NAMES[kind]}
        testID="gauge-name"
      />
      <Row>
        <Button onPress={() => onDone()}>Leave it</Button>
        <Button kind="act" grow onPress={() => void submit()}>
          Keep this gauge
        </Button>
      </Row>
    </Card>
  )
}
