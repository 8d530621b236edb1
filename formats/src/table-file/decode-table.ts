import iconv from 'iconv-lite'

/** Why bytes are no table of text. */
export type NotATable = 'empty' | 'too-long' | 'not-text' | 'no-rows' | 'too-many-rows'

/** How a file's text is encoded; a spreadsheet writes one of these. */
export type TableEncoding = 'utf-8' | 'utf-16le' | 'utf-16be' | 'windows-1252'

/** A table of 50,000 rows has about 5 MB. */
export const LONGEST_TABLE_FILE = 20 * 1024 * 1024

export type DecodedTable =
  { readonly text: string; readonly encoding: TableEncoding } | { readonly refused: NotATable }

/**
 * The text of a file that a spreadsheet wrote. By its mark (BOM) where it has one; else UTF-8 where every byte fits it; else the
 * encoding of Western spreadsheets, in which every byte is a letter.
 */
export function decodeTable(bytes: Uint8Array): DecodedTable {
  if (bytes.length === 0) return { refused: 'empty' }
  if (bytes.length > LONGEST_TABLE_FILE) return { refused: 'too-long' }
  const { text, encoding } = decoded(bytes)
  // A workbook, a picture or a program has NULs; no table of text has.
  if (text.includes('\0')) return { refused: 'not-text' }
  return text.trim() === '' ? { refused: 'empty' } : { text, encoding }
}

function decoded(bytes: Uint8Array): {
  readonly text: string
  readonly encoding: TableEncoding
} {
  const as = (encoding: TableEncoding) => ({ encoding, text: iconv.decode(bytes, encoding) })
  if (bytes[0] === 0xff && bytes[1] === 0xfe) return as('utf-16le')
  if (bytes[0] === 0xfe && bytes[1] === 0xff) return as('utf-16be')
  try {
    return { encoding: 'utf-8', text: new TextDecoder('utf-8', { fatal: true }).decode(bytes) }
  } catch {
    // Node's own TextDecoder leaves the bytes 0x80 to 0x9F of this one as they are: a euro sign became a control character.
    return as('windows-1252')
  }
}
