import { View } from '@tamagui/core'
import { registerName } from '@pine/core/address'
import { type Chain } from '@pine/core/chain'
import { type Register } from '@pine/core/registers'
import { type Solution } from '@pine/core/solve'
import { describeWarning } from '@pine/core/words'
import { TrustMark } from '@/kit/trust-mark'
import { Card, Column, Row } from '@/kit/surfaces'
import { Digits, Words } from '@/kit/words'
import { lengthWriter } from '../entry/write-length'

export interface RegistersPanelProps {
  readonly solution: Solution
  readonly onTrace: (title: string, chain: Chain) => void
}

/** Every register with its mark and its number; tap one for where it comes from. */
export function RegistersPanel({ solution, onTrace }: RegistersPanelProps) {
  const write = lengthWriter(solution)
  const lengths = solution.registers.filter(({ kind }) => kind === 'length')
  const offsets = solution.registers.filter(({ kind }) => kind === 'work-offset')
  return (
    <Column gap="$4">
      {lengths.length > 0 && (
        <Group title="Tool lengths" registers={lengths} solution={solution} onTrace={onTrace} />
      )}
      <Group title="Work offsets" registers={offsets} solution={solution} onTrace={onTrace} />
      {solution.warnings.length > 0 && (
        <Card padded tone="wrong" role="status">
          {solution.warnings.map((warning) => (
            <Words
              key={`${warning.code}${warning.place}`}
              tone="wrong"
              fontSize={15}
              lineHeight={20}
            >
              {describeWarning(warning, (nm) => `${write(nm)} ${solution.unit}`)}
            </Words>
          ))}
        </Card>
      )}
    </Column>
  )
}

function Group({
  title,
  registers,
  solution,
  onTrace,
}: RegistersPanelProps & { title: string; registers: readonly Register[] }) {
  return (
    <Column gap="$1">
      <Row justifyContent="space-between">
        <Words as="lead" strong>
          {title}
        </Words>
        <Words as="note">{solution.unit}</Words>
      </Row>
      <Card overflow="hidden">
        {registers.map((register, index) => (
          <RegisterRow
            key={register.address}
            register={register}
            solution={solution}
            onTrace={onTrace}
            first={index === 0}
          />
        ))}
      </Card>
    </Column>
  )
}

function RegisterRow({
  register,
  solution,
  onTrace,
  first,
}: RegistersPanelProps & { register: Register; first: boolean }) {
  const { address, state, value, chain, readBack } = register
  const differs = readBack !== undefined && !readBack.equal
  return (
    <View
      render="button"
      flexDirection="row"
      alignItems="center"
      gap="$3"
      minHeight="$touch"
      paddingHorizontal="$3"
      borderWidth={0}
      borderTopWidth={first ? 0 : 1}
      borderColor="$line"
      backgroundColor={differs ? '$wrongPaper' : '$card'}
      cursor={chain ? 'pointer' : 'default'}
      aria-label={`${registerName(address)}${value === undefined ? ', not read' : ': where this number comes from'}`}
      onPress={() => chain && onTrace(registerName(address), chain)}
    >
      <TrustMark state={state} size={20} />
      <Words strong flex={1} textAlign="left">
        {registerName(address)}
      </Words>
      {differs && (
        <Words as="note" tone="wrong">
          differs
        </Words>
      )}
      <Digits as="lead" tone={value === undefined ? 'soft' : 'ink'}>
        {value === undefined ? '–' : lengthWriter(solution)(value)}
      </Digits>
    </View>
  )
}
