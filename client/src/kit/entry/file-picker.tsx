import { useRef, useState, type DragEvent, type ReactNode } from 'react'
import { Button } from '../button'

export interface FilePickerProps {
  readonly children: ReactNode
  readonly onPick: (file: File) => void
  readonly kind?: 'act' | 'quiet' | 'plain'
  readonly testID: string
  readonly focused?: boolean
}

/** A button that opens the device's own way of choosing a file; on a wide screen a file may be dropped on it. */
export function FilePicker({ children, onPick, kind = 'quiet', testID, focused }: FilePickerProps) {
  const input = useRef<HTMLInputElement>(null)
  const [over, setOver] = useState(false)
  const onDrop = (event: DragEvent) => {
    event.preventDefault()
    setOver(false)
    const file = event.dataTransfer.files[0]
    if (file) onPick(file)
  }
  return (
    <div
      onDragOver={(event) => {
        event.preventDefault()
        setOver(true)
      }}
      onDragLeave={() => setOver(false)}
      onDrop={onDrop}
      style={{ display: 'flex', flexDirection: 'column', opacity: over ? 0.7 : 1 }}
    >
      <input
        ref={input}
        type="file"
        data-testid={testID}
        aria-hidden
        tabIndex={-1}
        style={{ display: 'none' }}
        onChange={(event) => {
          const file = event.target.files?.[0]
          // The same file may be picked again, after it was changed.
          event.target.value = ''
          if (file) onPick(file)
        }}
      />
      <Button kind={kind} focused={focused} onPress={() => input.current?.click()}>
        {children}
      </Button>
    </div>
  )
}
