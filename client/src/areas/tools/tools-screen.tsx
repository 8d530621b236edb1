import { Link, useRouter } from 'expo-router'
import { useState } from 'react'
import { View } from '@tamagui/core'
import type { ToolLine } from '@pine/contract'
import { Allowed } from '@/areas/people/allowed'
import { askedFailureWords } from '@/data/server/api'
import { useMachines } from '@/data/shop/shop'
import { useTools } from '@/data/shop/tools'
import { Button } from '@/kit/button'
import { Field } from '@/kit/entry/field'
import { Page } from '@/kit/frame/page'
import { Card, Column, Line, Row } from '@/kit/surfaces'
import { TrustMark } from '@/kit/trust-mark'
import { Words } from '@/kit/words'
import { AddTool } from './tool-entry'
import { placeWords } from './tools-view'

/** The shop's tools: where each is, and how far what was measured of it is to be relied on. */
export function ToolsScreen() {
  const router = useRouter()
  const [sought, setSought] = useState('')
  const [adding, setAdding] = useState(false)
  const { tools, total, error, more, waiting } = useTools(sought)
  return (
    <Page
      title="Tools"
      foot={
        <>
          <Button grow onPress={() => router.push('/tools/scan')} testID="scan">
            Scan a label
          </Button>
          <Allowed to="enter">
            <Button grow onPress={() => setAdding(true)} testID="add-tool">
              Add a tool
            </Button>
          </Allowed>
        </>
      }
    >
      {adding && (
        <AddTool
          onDone={(id) => {
            setAdding(false)
            if (id !== undefined) router.push({ pathname: '/tools/[id]', params: { id } })
          }}
        />
      )}
      {waiting.length > 0 && (
        <Words as="note" testID="waiting-tools">
          Kept on this device until there is a connection: {waiting.join(', ')}
        </Words>
      )}
      <Field
        label="Find by name, or by the code on its label"
        value={sought}
        onChange={setSought}
        testID="find"
      />
      {error !== undefined && tools === undefined && (
        <Words role="alert" tone="wrong">
          {askedFailureWords(error)}
        </Words>
      )}
      {tools?.length === 0 && (
        <Words as="lead" tone="soft">
          {sought === ''
            ? 'No tool is known yet. Each tool of a new set-up on one of the shop’s machines is kept here by itself.'
            : 'No tool is called so.'}
        </Words>
      )}
      {tools !== undefined && tools.length > 0 && (
        <>
          <Words as="note" role="status">
            {total === 1 ? 'One tool' : `${total} tools`}
          </Words>
          <Card overflow="hidden" role="list" testID="tools">
            {tools.map((line, index) => (
              <ToolRow key={line.id} line={line} first={index === 0} />
            ))}
          </Card>
        </>
      )}
      {more && (
        <Button onPress={more} testID="more">
          More
        </Button>
      )}
      <Allowed to="enter">
        <Row>
          <Button
            kind="plain"
            onPress={() => router.push({ pathname: '/import', params: { list: 'tools' } })}
            testID="import-tools"
          >
            Import a list of tools
          </Button>
        </Row>
      </Allowed>
    </Page>
  )
}

function ToolRow({ line, first }: { line: ToolLine; first: boolean }) {
  const { id, tool, trust } = line
  const { machines } = useMachines()
  return (
    <Line first={first} role="listitem" paddingVertical="$2">
      <Link href={{ pathname: '/tools/[id]', params: { id } }} asChild>
        <View
          render="a"
          flex={1}
          minWidth={0}
          minHeight="$touch"
          flexDirection="row"
          alignItems="center"
          gap="$3"
        >
          <TrustMark state={trust.state} size={26} />
          <Column gap={0} flex={1} minWidth={0}>
            <Words as="lead" strong>
              {tool.name}
            </Words>
            <Words as="note" tone={trust.state === 'stale' ? 'wrong' : 'soft'}>
              {trust.words}
            </Words>
          </Column>
          <Words as="note" strong>
            {placeWords(line, machines)}
          </Words>
        </View>
      </Link>
    </Line>
  )
}
