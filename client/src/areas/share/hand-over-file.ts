/** A file as it leaves: text, or what the server drew. */
export interface FileToHand {
  readonly name: string
  readonly type: string
  readonly content: string | Blob
}

/**
 * Hands a file to whoever is chosen: by the device's own way of sharing where it takes files, else it is saved.
 *
 * @returns what happened, to be told.
 */
export async function handOverFile({
  name,
  type,
  content,
}: FileToHand): Promise<'shared' | 'saved' | 'stopped'> {
  const file = new File([content], name, { type })
  if (navigator.canShare?.({ files: [file] }) === true) {
    try {
      await navigator.share({ files: [file], title: name })
      return 'shared'
    } catch (cause) {
      // Whoever closes the choice wants nothing; anything else is no reason not to have the file.
      if (cause instanceof DOMException && cause.name === 'AbortError') return 'stopped'
    }
  }
  saveFile(file)
  return 'saved'
}

function saveFile(file: File): void {
  const link = document.createElement('a')
  link.href = URL.createObjectURL(file)
  link.download = file.name
  link.click()
  // The browser has begun to read it by then.
  setTimeout(() => URL.revokeObjectURL(link.href), 60_000)
}
