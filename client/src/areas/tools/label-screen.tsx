import { useRouter } from 'expo-router'
import { useEffect, useState } from 'react'
import Svg, { Path, Rect } from 'react-native-svg'
import { View } from '@tamagui/core'
import { useMachines } from '@/data/shop/shop'
import { useTool } from '@/data/shop/tools'
import { Button } from '@/kit/button'
import { Page } from '@/kit/frame/page'
import { Card, Column, Row } from '@/kit/surfaces'
import { Digits, Words } from '@/kit/words'
import { codeOf, labelText, placeWords } from './tools-view'

/** The label of a tool, to be printed and stuck to its holder or its place in the rack. */
export function LabelScreen({ id }: { readonly id: string }) {
  const router = useRouter()
  const { tool } = useTool(id)
  const { all } = useMachines()
  return (
    <Page
      title="A label to print"
      foot={
        <>
          <Button
            kind="plain"
            onPress={() => router.push({ pathname: '/tools/[id]', params: { id } })}
          >
            Back to the tool
          </Button>
          <Button kind="act" grow onPress={() => window.print()} testID="print">
            Print it
          </Button>
        </>
      }
    >
      <Card padded testID="label" alignSelf="flex-start">
        <Row gap="$4">
          <QrCode text={labelText(window.location.origin, id)} size={148} />
          <Column gap="$1" maxWidth={180}>
            <Words as="title">{tool?.tool.name ?? ''}</Words>
            <Words>{tool ? placeWords(tool, all) : ''}</Words>
            <Digits as="number">{codeOf(id)}</Digits>
          </Column>
        </Row>
      </Card>
      <Words as="note">
        Any camera opens the tool’s page by it. Where none is at hand, the code beside it is typed
        into the list of tools.
      </Words>
    </Page>
  )
}

/** A QR code, drawn: black on white whatever the theme is, with the quiet margin that readers need. */
function QrCode({ text, size }: { readonly text: string; readonly size: number }) {
  const [code, setCode] = useState<{ readonly path: string; readonly side: number }>()
  useEffect(() => {
    let isGone = false
    // The library comes when a label is looked at, and not before.
    void import('./qr-path').then(async ({ qrPath }) => {
      const made = qrPath(text)
      if (!isGone) setCode(made)
    })
    return () => {
      isGone = true
    }
  }, [text])
  return (
    <View width={size} height={size} role="img" aria-label={`label with ${text}`}>
      {code && (
        <Svg width={size} height={size} viewBox={`0 0 ${code.side} ${code.side}`}>
          <Rect width={code.side} height={code.side} fill="#ffffff" />
          <Path d={code.path} fill="#000000" />
        </Svg>
      )}
    </View>
  )
}
