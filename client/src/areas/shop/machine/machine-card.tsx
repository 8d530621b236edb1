import { Link } from 'expo-router'
import { useState } from 'react'
import { keepsLengths, type MachineDeclaration } from '@pine/core/sheet'
import { Allowed } from '@/areas/people/allowed'
import { useMachines } from '@/data/shop/shop'
import { Button } from '@/kit/button'
import { Card, Column, Row } from '@/kit/surfaces'
import { Words } from '@/kit/words'
import { CorrectMachine } from './add-machine'
import { ChangePolicy } from '../change-policy'
import { Declared } from '../declared'
import { MachineHappened } from './machine-happened'
import { policyWords } from '../policy-draft'

const KEYED = {
  set: 'are set',
  add: 'are added',
  position: 'follow from “my position is”',
  copy: 'are copied from where it stands, and added to',
  stored: 'are stored by its own cycle',
  'copy-counter': 'are copied from the relative counter',
  halve: 'follow from the halved counter',
} as const

/** A machine of the shop: how it takes numbers, and what is asked of its set-ups. */
export function MachineCard({ id, machine }: { id: string; machine: MachineDeclaration }) {
  const { change } = useMachines()
  const [changing, setChanging] = useState(false)
  const [correcting, setCorrecting] = useState(false)
  const [happening, setHappening] = useState(false)
  const { name, kind, control } = machine
  return (
    <Card padded>
      <Column gap="$1">
        <Link href={{ pathname: '/machines/[id]', params: { id } }} asChild>
          <Words as="lead" strong tone="act" paddingVertical={10} marginVertical={-10}>
            {name}
          </Words>
        </Link>
        <Words as="note">
          {kind} · shows {control.decimals.mm} decimals in mm, {control.decimals.in} in inch ·{' '}
          {keepsLengths(control)
            ? `lengths ${KEYED[control.lengthKey]}`
            : 'it keeps no lengths: one tool at a time'}
          , work offsets {KEYED[control.workOffsetKey]} · D holds the{' '}
          {control.diameterRegister ?? 'diameter'}
          {control.offsetProgram === undefined ? '' : ' · offsets by G10'}
        </Words>
        <Words as="note" strong testID={`policy-${name}`}>
          Release rules: {policyWords(machine) ?? 'standard'}
        </Words>
      </Column>
      {/* The words of a plain button begin where those of the card do. */}
      <Row flexWrap="wrap" justifyContent="space-between" gap={0} marginHorizontal={-18}>
        {!happening && (
          <Allowed to="enter">
            <Button
              kind="plain"
              label={`something happened to ${name}`}
              onPress={() => setHappening(true)}
            >
              Report a change
            </Button>
          </Allowed>
        )}
        {!correcting && (
          <Allowed to="declare">
            <Declared
              what="machine"
              name={name}
              more={
                <Allowed to="lower-policy">
                  <Button
                    kind="plain"
                    label={`change the release rules of ${name}`}
                    onPress={() => setChanging(true)}
                  >
                    Change release rules
                  </Button>
                </Allowed>
              }
              onCorrect={() => setCorrecting(true)}
              onRetire={(reason) => change(id, machine, { reason, retired: true })}
            />
          </Allowed>
        )}
      </Row>
      {correcting && (
        <CorrectMachine id={id} machine={machine} onDone={() => setCorrecting(false)} />
      )}
      {happening && <MachineHappened id={id} name={name} onDone={() => setHappening(false)} />}
      {changing && <ChangePolicy id={id} machine={machine} onDone={() => setChanging(false)} />}
    </Card>
  )
}
