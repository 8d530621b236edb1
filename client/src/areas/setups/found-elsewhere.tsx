import { Link, type Href } from 'expo-router'
import { View } from '@tamagui/core'
import { useSearch } from '@/data/shop/search'
import { Card, Column, Line } from '@/kit/surfaces'
import { Words } from '@/kit/words'
import { foundGroups } from './search-view'

/** What the shop keeps beside set-ups under the words that are looked for: each one tap away. */
export function FoundElsewhere({ words }: { readonly words: string }) {
  const found = useSearch(words)
  if (words.trim() === '') return null
  return foundGroups(found).map(({ title, lines }) => (
    <Column key={title} gap="$2">
      <Words as="lead" strong role="heading" aria-level={2}>
        {title}
      </Words>
      <Card overflow="hidden" role="list" testID={`found-${title}`}>
        {lines.map(({ key, name, about, href }, index) => (
          <Line key={key} first={index === 0} role="listitem">
            <Link href={href as Href} asChild>
              <View
                render="a"
                flex={1}
                minHeight="$touch"
                flexDirection="row"
                alignItems="center"
                justifyContent="space-between"
                gap="$3"
              >
                <Words as="lead" strong flexShrink={1}>
                  {name}
                </Words>
                <Words as="note">{about}</Words>
              </View>
            </Link>
          </Line>
        ))}
      </Card>
    </Column>
  ))
}
