import { readFileSync } from 'node:fs'
import { inflateSync } from 'node:zlib'

// Source: WOFF File Format 1.0, W3C Recommendation (2012), sections 3 to 5, and the table directory of OpenType.
const WOFF_HEADER = 44
const WOFF_ENTRY = 20
const SFNT_HEADER = 12
const SFNT_ENTRY = 16

const unpacked = new Map<string, Buffer>()

/**
 * A font as it is before it is packed for the web, once a process: what draws on paper unpacks a packed one anew for each document,
 * in JavaScript, which took three quarters of the time of a set-up sheet.
 *
 * @param file a WOFF 1.0 file, as the packages of our fonts have them.
 */
export function unpackedFont(file: string): Buffer {
  const known = unpacked.get(file) ?? unpack(readFileSync(file))
  unpacked.set(file, known)
  return known
}

function unpack(woff: Buffer): Buffer {
  if (woff.toString('latin1', 0, 4) !== 'wOFF') throw new Error('not a WOFF 1.0 font')
  const count = woff.readUInt16BE(12)
  const tables = Array.from({ length: count }, (_, index) => {
    const at = WOFF_HEADER + index * WOFF_ENTRY
    const [from, packed, length] = [4, 8, 12].map((offset) => woff.readUInt32BE(at + offset)) as [
      number,
      number,
      number,
    ]
    const bytes = woff.subarray(from, from + packed)
    return {
      tag: woff.subarray(at, at + 4),
      checksum: woff.readUInt32BE(at + 16),
      // A table that would not get smaller stands as it is.
      bytes: packed < length ? inflateSync(bytes) : bytes,
    }
  })
  const directory = Buffer.alloc(SFNT_HEADER + count * SFNT_ENTRY)
  directory.writeUInt32BE(woff.readUInt32BE(4), 0)
  directory.writeUInt16BE(count, 4)
  const selector = Math.floor(Math.log2(count))
  directory.writeUInt16BE(2 ** selector * 16, 6)
  directory.writeUInt16BE(selector, 8)
  directory.writeUInt16BE(count * 16 - 2 ** selector * 16, 10)
  let offset = directory.length
  const padded = tables.map(({ tag, checksum, bytes }, index) => {
    const at = SFNT_HEADER + index * SFNT_ENTRY
    tag.copy(directory, at)
    directory.writeUInt32BE(checksum, at + 4)
    directory.writeUInt32BE(offset, at + 8)
    directory.writeUInt32BE(bytes.length, at + 12)
    const padding = Buffer.alloc((4 - (bytes.length % 4)) % 4)
    offset += bytes.length + padding.length
    return Buffer.concat([bytes, padding])
  })
  return Buffer.concat([directory, ...padded])
}
