import { useRouter } from 'expo-router'
import { registerName } from '@pine/core/address'
import { typographic } from '@pine/core/words'
import { askedFailureWords } from '@/data/server/api'
import { useRecord } from '@/data/setup/one-setup'
import { Button } from '@/kit/button'
import { Message } from '@/kit/message'
import { TrustMark } from '@/kit/trust-mark'
import { Card, Column, Line, Row } from '@/kit/surfaces'
import { momentWords } from '@/kit/when'
import { Digits, Words } from '@/kit/words'

/** The numbers as they were recorded: shown from the record, not worked out again. */
export function FrozenRecord({
  setupId,
  recordId,
}: Readonly<Record<'setupId' | 'recordId', string>>) {
  const router = useRouter()
  const { record, error } = useRecord(setupId, recordId)
  if (record === undefined)
    return error === undefined ? (
      <Message text="Opening the record …" tone="soft" />
    ) : (
      <Message text={askedFailureWords(error)} tone="wrong" />
    )
  const { by, at, hash, altered, solution, readings, keyIns } = record
  return (
    <Column gap="$3" testID="frozen">
      <Row gap="$3">
        <TrustMark state={altered ? 'stale' : 'proven'} size={32} />
        <Words as="sentence" role="heading" aria-level={1} flex={1}>
          {altered ? 'Altered since it was released' : 'Released'}
        </Words>
      </Row>
      {altered && (
        <Card padded tone="wrong" role="alert" testID="altered">
          <Words tone="wrong" strong>
            What is kept of this release does not give its hash any more. Cut nothing by it: release
            anew, and tell who looks after the database.
          </Words>
        </Card>
      )}
      <Words>
        by {by}, {momentWords(at)} · {readings} readings, {keyIns} key-ins
      </Words>
      <Card overflow="hidden">
        {solution.registers.map(({ address, value, unit }, index) => (
          <Line key={address} apart first={index === 0}>
            <Words strong>{registerName(address)}</Words>
            <Digits as="lead" testID={`frozen-${address}`}>
              {typographic(value ?? '–')} {unit}
            </Digits>
          </Line>
        ))}
      </Card>
      <Button
        onPress={() => router.push({ pathname: '/setups/compare', params: { id: setupId } })}
        testID="what-differed"
      >
        What differed from last time
      </Button>
      <Column gap={0}>
        <Words as="note">SHA-256 of the readings and numbers</Words>
        <Digits as="note" testID="hash">
          {hash.slice(0, 32)}
          {'\n'}
          {hash.slice(32)}
        </Digits>
      </Column>
      <Words as="note">A wrong offset crashes the machine: prove again after every change.</Words>
    </Column>
  )
}
