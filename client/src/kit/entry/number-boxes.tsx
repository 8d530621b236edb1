import { useEffect, useRef, type ComponentRef } from 'react'
import type { LengthUnit } from '@pine/core/length'
import { useMedia, View } from '@tamagui/core'
import { Input } from '@tamagui/input'
import { Row } from '../surfaces'
import { Digits, Words } from '../words'

export interface NumberBox {
  readonly key: string
  readonly label: string
  readonly value: string
  readonly wrong?: boolean
}

export interface NumberBoxesProps {
  readonly boxes: readonly NumberBox[]
  readonly active: string
  readonly unit: LengthUnit
  readonly onActivate: (key: string) => void
  readonly onChange: (key: string, text: string) => void
  readonly onSubmit: () => void
}

/** Several numbers that belong together; the keys serve the one that is marked. */
export function NumberBoxes({
  boxes,
  active,
  unit,
  onActivate,
  onChange,
  onSubmit,
}: NumberBoxesProps) {
  return (
    <Row flexWrap="wrap" gap={6} alignItems="stretch">
      {boxes.map((box) => (
        <Box
          key={box.key}
          box={box}
          unit={unit}
          active={box.key === active}
          onActivate={() => onActivate(box.key)}
          onChange={(text) => onChange(box.key, text)}
          onSubmit={onSubmit}
        />
      ))}
    </Row>
  )
}

interface BoxProps {
  readonly box: NumberBox
  readonly unit: LengthUnit
  readonly active: boolean
  readonly onActivate: () => void
  readonly onChange: (text: string) => void
  readonly onSubmit: () => void
}

function Box({ box, unit, active, onActivate, onChange, onSubmit }: BoxProps) {
  const { wide } = useMedia()
  const input = useRef<ComponentRef<typeof Input>>(null)
  useEffect(() => {
    if (active) input.current?.focus()
  }, [active])
  return (
    <View
      flexGrow={1}
      flexBasis="46%"
      minWidth={150}
      backgroundColor="$card"
      borderRadius="$small"
      borderWidth={active ? 3 : 1}
      // The thinner edge must not make the number jump.
      margin={active ? 0 : 2}
      borderColor={box.wrong ? '$wrong' : active ? '$act' : '$edge'}
      position="relative"
    >
      <View position="absolute" top={3} left={10} right={10} pointerEvents="none">
        <Words as="note" numberOfLines={1}>
          {box.label}
        </Words>
      </View>
      <Input
        ref={input}
        unstyled
        width="100%"
        value={box.value}
        onChangeText={onChange}
        onFocus={onActivate}
        onSubmitEditing={onSubmit}
        inputMode={wide ? 'decimal' : 'none'}
        aria-label={box.label}
        aria-invalid={box.wrong ?? false}
        testID={`number-${box.key}`}
        autoComplete="off"
        placeholder="–"
        placeholderTextColor="$inkSoft"
        color="$ink"
        backgroundColor="transparent"
        borderWidth={0}
        fontFamily="$mono"
        fontSize={23}
        fontWeight="600"
        // The whole box is the target; the label lies over its upper edge.
        height={56}
        paddingTop={20}
        paddingBottom={2}
        paddingLeft={10}
        paddingRight={36}
        outlineWidth={0}
      />
      <View position="absolute" bottom={6} right={10} pointerEvents="none">
        <Digits as="note" tone="soft">
          {unit}
        </Digits>
      </View>
    </View>
  )
}
