import type { ReactNode } from 'react'
import Volume2 from 'lucide-react-native/icons/volume-2'
import { Button } from '@/kit/button'
import { Caution } from '@/kit/caution'
import { Card, Row } from '@/kit/surfaces'
import { Digits, Words } from '@/kit/words'
import { useRoles } from '@/theme/use-roles'
import { type KeyInNote, type KeyInView } from './key-in-view'
import { canSpeak, speakNumber } from './speak'

/** What is typed, how, and what has to be minded. */
export function KeyInCard({
  view,
  onTrace,
  children,
}: {
  readonly view: KeyInView
  /** Left out where the number comes from nothing but itself. */
  readonly onTrace?: () => void
  readonly children?: ReactNode
}) {
  const roles = useRoles()
  const { name, type, unit, key, row, was, notes, mind, change } = view
  return (
    <Card padded gap="$1">
      <Row justifyContent="space-between" alignItems="baseline">
        <Words as="sentence" role="heading" aria-level={1}>
          {name}
        </Words>
        {onTrace && (
          <Button kind="plain" onPress={onTrace} label={`where ${name} comes from`}>
            how it came
          </Button>
        )}
      </Row>
      {was !== undefined && (
        <Digits as="lead" tone="soft" testID="was">
          it was {was}
        </Digits>
      )}
      {key === undefined ? null : 'first' in key ? (
        <Words as="lead">{key.first}</Words>
      ) : (
        <Words>
          Type this, then the key that <Words strong>{key.does}</Words> ({key.not})
        </Words>
      )}
      {notes.map((note) => (
        <Note key={note.words} {...note} />
      ))}
      {type !== undefined && (
        <Row alignItems="baseline" gap="$2">
          <Digits as="reading" fontSize={46} lineHeight={54} testID="to-type">
            {type}
          </Digits>
          <Digits as="lead" tone="soft">
            {unit}
          </Digits>
          {canSpeak() && (
            <Button kind="plain" label={`read ${name} out`} onPress={() => speakNumber(type, unit)}>
              <Volume2 size={24} color={roles.act} aria-hidden />
            </Button>
          )}
        </Row>
      )}
      {mind !== undefined && <Caution>{mind}</Caution>}
      {row !== undefined && (
        <Words>
          Only if the row shows <Digits fontWeight="700">{row}</Digits> now
        </Words>
      )}
      {change !== undefined && (
        <Digits as="note" tone="soft">
          {change}
        </Digits>
      )}
      {children}
    </Card>
  )
}

const Note = ({ words, holds }: KeyInNote) =>
  holds === 'digits' ? (
    <Digits as="note">{words}</Digits>
  ) : (
    <Words
      as={holds === 'conflict' ? 'body' : 'note'}
      tone={holds === 'conflict' ? 'wrong' : 'soft'}
      strong={holds === 'warning' || holds === 'conflict'}
    >
      {words}
    </Words>
  )
