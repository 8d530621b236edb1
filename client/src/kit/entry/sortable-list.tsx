import {
  closestCenter,
  DndContext,
  KeyboardSensor,
  PointerSensor,
  useSensor,
  useSensors,
} from '@dnd-kit/core'
import {
  SortableContext,
  sortableKeyboardCoordinates,
  useSortable,
  verticalListSortingStrategy,
} from '@dnd-kit/sortable'
import { CSS } from '@dnd-kit/utilities'
import type { ReactNode } from 'react'
import { useTheme, View } from '@tamagui/core'
import { Words } from '../words'

export interface SortableListProps {
  /** What the list is of, for a screen reader. */
  readonly label: string
  readonly items: readonly {
    readonly key: string
    readonly name: string
    readonly body: ReactNode
  }[]
  /** Something was put at another place, counted from 0. */
  readonly onMove: (key: string, to: number) => void
}

/** Things in an order that a person may change: by dragging, or by the keyboard (space, arrows, space). */
export function SortableList({ label, items, onMove }: SortableListProps) {
  const sensors = useSensors(
    // A little way first, so that a tap on the handle is no move.
    useSensor(PointerSensor, { activationConstraint: { distance: 6 } }),
    // It scrolls at once: while a list glides, the arrow that is pressed next would be lost.
    useSensor(KeyboardSensor, {
      coordinateGetter: sortableKeyboardCoordinates,
      scrollBehavior: 'auto',
    }),
  )
  const keys = items.map(({ key }) => key)
  const nameOf = (key: string | number) => items.find((item) => item.key === key)?.name ?? ''
  const placeOf = (key: string | number) => keys.indexOf(String(key)) + 1
  return (
    <DndContext
      sensors={sensors}
      collisionDetection={closestCenter}
      accessibility={{
        screenReaderInstructions: {
          draggable: 'Space picks it up, arrows move it, space puts it down, Escape leaves it.',
        },
        announcements: {
          onDragStart: ({ active }) => `${nameOf(active.id)} picked up.`,
          onDragOver: ({ active, over }) =>
            over ? `${nameOf(active.id)} would be number ${placeOf(over.id)}.` : undefined,
          onDragEnd: ({ active, over }) =>
            over ? `${nameOf(active.id)} is number ${placeOf(over.id)}.` : undefined,
          onDragCancel: ({ active }) => `${nameOf(active.id)} stays where it was.`,
        },
      }}
      onDragEnd={({ active, over }) => {
        if (over !== null && over.id !== active.id)
          onMove(String(active.id), keys.indexOf(String(over.id)))
      }}
    >
      <SortableContext items={keys} strategy={verticalListSortingStrategy}>
        <View role="list" aria-label={label}>
          {items.map(({ key, name, body }, index) => (
            <SortableItem key={key} id={key} name={name} first={index === 0}>
              {body}
            </SortableItem>
          ))}
        </View>
      </SortableContext>
    </DndContext>
  )
}

// dnd-kit measures and moves elements of the page itself: these two are such, and no views.
function SortableItem({
  id,
  name,
  first,
  children,
}: {
  readonly id: string
  readonly name: string
  readonly first: boolean
  readonly children: ReactNode
}) {
  const { line, card } = useTheme()
  const { attributes, listeners, setNodeRef, transform, transition, isDragging } = useSortable({
    id,
  })
  return (
    <div
      ref={setNodeRef}
      role="listitem"
      data-testid={`sortable-${id}`}
      style={{
        display: 'flex',
        transform: CSS.Translate.toString(transform),
        transition,
        position: 'relative',
        zIndex: isDragging ? 1 : 0,
        boxShadow: isDragging ? '0 6px 18px rgba(0, 0, 0, 0.25)' : 'none',
        backgroundColor: String(card?.val ?? ''),
        borderTop: first ? 'none' : `1px solid ${String(line?.val ?? '')}`,
      }}
    >
      <button
        type="button"
        {...attributes}
        {...listeners}
        aria-label={`move ${name}`}
        data-testid={`handle-${id}`}
        style={{
          flex: '0 0 48px',
          minHeight: 56,
          border: 'none',
          background: 'none',
          cursor: 'grab',
          // A finger on the handle drags; it does not scroll the page.
          touchAction: 'none',
        }}
      >
        <Words as="lead" tone="soft">
          ≡
        </Words>
      </button>
      <View flex={1} minWidth={0}>
        {children}
      </View>
    </div>
  )
}
