import { useRouter } from 'expo-router'
import { useEffect, useRef, useState } from 'react'
import { View } from '@tamagui/core'
import { Button } from '@/kit/button'
import { Page } from '@/kit/frame/page'
import { Words } from '@/kit/words'
import { toolOfLabel } from './tools-view'

/** So often the picture is looked at: a label is read within a blink, and the phone stays cool. */
const LOOK_EVERY_MS = 250

type Seen = 'looking' | 'forbidden' | 'none' | 'other'

const SAYS: Readonly<Record<Seen, string>> = {
  looking: 'Hold the label into the picture.',
  forbidden: 'This page may not use the camera. Allow it in the browser, or type the code.',
  none: 'No camera is at hand here; it needs the page over TLS. Type the code of the label instead.',
  other: 'This is no label of a tool of this shop.',
}

/** Finds a tool by its label through the camera. */
export function ScanScreen() {
  const router = useRouter()
  const frame = useRef<HTMLDivElement>(null)
  const [seen, setSeen] = useState<Seen>('looking')
  useEffect(() => {
    const ending = new AbortController()
    void watch(frame.current, ending.signal, (text) => {
      const id = toolOfLabel(text)
      if (id === undefined) return setSeen('other')
      ending.abort()
      router.replace({ pathname: '/tools/[id]', params: { id } })
    }).then((end) => {
      if (end !== undefined && !ending.signal.aborted) setSeen(end)
    })
    return () => ending.abort()
  }, [router])
  return (
    <Page
      title="Scan a label"
      foot={
        <Button grow onPress={() => router.replace('/tools')} testID="type-code">
          Type the code instead
        </Button>
      }
    >
      <Words as="lead" role="status" tone={seen === 'looking' ? 'ink' : 'wrong'}>
        {SAYS[seen]}
      </Words>
      <View
        ref={frame as never}
        height={360}
        borderRadius="$large"
        overflow="hidden"
        backgroundColor="$tray"
        role="img"
        aria-label="what the camera sees"
      />
    </Page>
  )
}

/** Shows the camera in a frame and tells each code that it sees, until it is ended; tells why there is no camera. */
async function watch(
  frame: HTMLElement | null,
  signal: AbortSignal,
  onCode: (text: string) => void,
): Promise<Seen | undefined> {
  const cameras = navigator.mediaDevices as MediaDevices | undefined
  if (frame === null || cameras === undefined) return 'none'
  const stream = await cameras
    .getUserMedia({ video: { facingMode: 'environment' } })
    .catch((cause: unknown) =>
      cause instanceof DOMException && cause.name === 'NotAllowedError' ? 'forbidden' : 'none',
    )
  if (typeof stream === 'string') return stream
  const stop = () => stream.getTracks().forEach((track) => track.stop())
  if (signal.aborted) {
    stop()
    return undefined
  }
  const video = Object.assign(document.createElement('video'), {
    srcObject: stream,
    muted: true,
    playsInline: true,
  })
  video.style.cssText = 'width:100%;height:100%;object-fit:cover'
  frame.replaceChildren(video)
  await video.play()
  const { readCodes } = await import('./read-codes')
  const timer = setInterval(() => {
    void readCodes(video).then((codes) => {
      const [code] = codes
      if (code !== undefined && !signal.aborted) onCode(code)
    })
  }, LOOK_EVERY_MS)
  signal.addEventListener('abort', () => {
    clearInterval(timer)
    stop()
  })
  return undefined
}
