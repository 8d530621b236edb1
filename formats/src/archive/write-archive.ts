import { createHash } from 'node:crypto'
import { PassThrough, Transform, Readable } from 'node:stream'
import { pipeline } from 'node:stream/promises'
import yazl from 'yazl'
import { ARCHIVE_VERSION, MANIFEST, type ArchiveEntry, type ArchiveManifest } from './manifest'

/** Something that is archived: its name in the archive, and its bytes when its turn has come. */
export interface Archived {
  readonly name: string
  readonly bytes: () => AsyncIterable<string | Uint8Array>
}

/**
 * A shop as one file: a ZIP (APPNOTE 6.3, by yazl) that is streamed as it is made. One entry at a time is asked for, so that it
 * takes the same memory whatever the shop has; the manifest with the hash of each comes last.
 */
export function writeArchive(
  archived: AsyncIterable<Archived>,
  about: Pick<ArchiveManifest, 'shop' | 'madeBy' | 'madeAt'>,
): Readable {
  const zip = new yazl.ZipFile()
  const out = new PassThrough()
  // A failure while it is made ends the file short: whoever reads it finds no manifest.
  zip.on('error', (cause) => out.destroy(cause as Error))
  zip.outputStream.pipe(out)
  const made = new Date(about.madeAt)
  void addAll(zip, archived, made).then(
    (entries) => {
      const manifest: ArchiveManifest = {
        ...{ format: 'pine-compass/archive', version: ARCHIVE_VERSION, ...about, entries },
      }
      zip.addBuffer(Buffer.from(`${JSON.stringify(manifest, null, 1)}\n`), MANIFEST, {
        mtime: made,
      })
      zip.end()
    },
    (cause: unknown) => out.destroy(cause as Error),
  )
  return out
}

async function addAll(
  zip: yazl.ZipFile,
  archived: AsyncIterable<Archived>,
  mtime: Date,
): Promise<ArchiveEntry[]> {
  const entries: ArchiveEntry[] = []
  for await (const { name, bytes } of archived) {
    const hash = createHash('sha256')
    let count = 0
    const counted = new Transform({
      transform(piece: Buffer, _encoding, done) {
        hash.update(piece)
        count += piece.length
        done(null, piece)
      },
    })
    zip.addReadStream(counted, name, { mtime })
    // The next entry is asked for when this one has gone into the file.
    await pipeline(Readable.from(bytes(), { objectMode: false }), counted)
    entries.push({ name, sha256: hash.digest('hex'), bytes: count })
  }
  return entries
}
