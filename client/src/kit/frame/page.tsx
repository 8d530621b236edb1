import { useEffect, useRef, type ReactNode } from 'react'
import { useMedia, View, type TamaguiTextElement } from '@tamagui/core'
import { Scroll } from './scroll'
import { AppBar } from './app-bar'
import { Words } from '../words'

export interface PageProps {
  readonly title: string
  readonly children: ReactNode
  /** Fixed below the page, under the thumb. */
  readonly foot?: ReactNode
  readonly aside?: ReactNode
}

/** A page that scrolls, with its title and, under the thumb, what to do. */
export function Page({ title, children, foot, aside }: PageProps) {
  const { wide } = useMedia()
  const heading = useRef<TamaguiTextElement>(null)
  // Another page is read out from its title, and the keyboard goes on from there; who types in it already is left alone.
  useEffect(() => {
    if (document.activeElement === null || document.activeElement === document.body)
      (heading.current as unknown as HTMLElement | null)?.focus({ preventScroll: true })
  }, [])
  return (
    <View flex={1} backgroundColor="$paper" height="100%">
      <AppBar />
      <View flex={1} flexDirection={wide ? 'row' : 'column'} minHeight={0}>
        <View flex={1} minHeight={0}>
          <Scroll
            label="the page"
            flex={1}
            role="main"
            contentContainerStyle={{
              padding: 16,
              paddingBottom: 32,
              gap: 16,
              width: '100%',
              maxWidth: wide && aside === undefined ? 1080 : 860,
              alignSelf: 'center',
            }}
          >
            <Words
              ref={heading}
              as="sentence"
              role="heading"
              aria-level={1}
              tabIndex={-1}
              outlineStyle="none"
            >
              {title}
            </Words>
            {children}
            {!wide && aside}
          </Scroll>
          {foot !== undefined && (
            <View padding="$3" backgroundColor="$paper" borderTopWidth={1} borderColor="$line">
              <View width="100%" maxWidth={860} alignSelf="center" gap="$2" flexDirection="row">
                {foot}
              </View>
            </View>
          )}
        </View>
        {wide && aside !== undefined && (
          <Scroll
            label="beside it"
            width={400}
            flexGrow={0}
            borderLeftWidth={1}
            borderColor="$line"
            contentContainerStyle={{ padding: 20, gap: 16 }}
          >
            {aside}
          </Scroll>
        )}
      </View>
    </View>
  )
}
