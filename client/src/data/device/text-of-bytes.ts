/** The text of a file's bytes: UTF-16 by its mark, as a spreadsheet saves “Unicode text”; else UTF-8. */
export function textOfBytes(bytes: Uint8Array): string {
  const [first, second] = bytes
  const encoding =
    first === 0xff && second === 0xfe
      ? 'utf-16le'
      : first === 0xfe && second === 0xff
        ? 'utf-16be'
        : 'utf-8'
  return new TextDecoder(encoding).decode(bytes)
}
