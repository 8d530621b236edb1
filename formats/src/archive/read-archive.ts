import { createHash } from 'node:crypto'
import type { Readable } from 'node:stream'
import { open as openZip, type Entry, type ZipFile } from 'yauzl'
import {
  ARCHIVE_VERSION,
  MANIFEST,
  manifestSchema,
  type ArchiveEntry,
  type ArchiveManifest,
} from './manifest'

/** What is wrong with an archive: it is refused whole. */
export class BadArchive extends Error {}

/** No entry unpacks to more, whatever it says of itself: a program has at most 32 MB, a set-up less. */
const LONGEST_ENTRY = 64 * 1024 * 1024

export interface OpenArchive {
  readonly manifest: ArchiveManifest
  /** The bytes of an entry, once they are what the manifest says; BadArchive where they are not. */
  read(entry: ArchiveEntry): Promise<Buffer>
  close(): void
}

/**
 * Opens an archive and checks what it says of itself: that it is one, of a version that this product reads, that it holds just
 * the entries that its manifest names, and none that would unpack to more than it says.
 */
export async function openArchive(path: string): Promise<OpenArchive> {
  const zip = await opened(path)
  try {
    const directory = await readDirectory(zip)
    const found = new Map(directory)
    const last = found.get(MANIFEST)
    if (last === undefined)
      throw new BadArchive(
        `There is no ${MANIFEST} in it: it was cut short, or is another kind of file.`,
      )
    const manifest = readManifest(await bytesOf(zip, last, LONGEST_ENTRY))
    for (const { name, bytes } of manifest.entries) {
      const entry = found.get(name)
      if (entry === undefined) throw new BadArchive(`${name} is named by the manifest and missing.`)
      if (entry.uncompressedSize !== bytes || bytes > LONGEST_ENTRY)
        throw new BadArchive(`${name} has another length than the manifest says.`)
      found.delete(name)
    }
    found.delete(MANIFEST)
    const [stray] = found.keys()
    if (stray !== undefined) throw new BadArchive(`${stray} is in it and not in the manifest.`)
    return {
      manifest,
      async read({ name, sha256, bytes }) {
        const entry = directory.get(name)
        if (entry === undefined) throw new BadArchive(`${name} is not in it.`)
        const content = await bytesOf(zip, entry, bytes)
        if (createHash('sha256').update(content).digest('hex') !== sha256)
          throw new BadArchive(`${name} was altered: its SHA-256 is not the manifest’s.`)
        return content
      },
      close: () => zip.close(),
    }
  } catch (cause) {
    zip.close()
    throw cause
  }
}

const opened = (path: string): Promise<ZipFile> =>
  new Promise((resolve, reject) =>
    openZip(path, { lazyEntries: true, autoClose: false, strictFileNames: true }, (cause, zip) =>
      cause === null
        ? resolve(zip)
        : reject(new BadArchive(`It cannot be read as an archive (${cause.message}).`)),
    ),
  )

/** Entries by their names, from the directory at the file’s end. */
const readDirectory = (zip: ZipFile): Promise<Map<string, Entry>> =>
  new Promise((resolve, reject) => {
    const entries = new Map<string, Entry>()
    zip.on('entry', (entry: Entry) => {
      if (entries.has(entry.fileName))
        return reject(new BadArchive(`${entry.fileName} is in it twice.`))
      entries.set(entry.fileName, entry)
      zip.readEntry()
    })
    zip.on('end', () => resolve(entries))
    zip.on('error', (cause: Error) =>
      reject(new BadArchive(`It cannot be read as an archive (${cause.message}).`)),
    )
    zip.readEntry()
  })

/** Unpacks an entry, and stops where it comes to more than it may. */
async function bytesOf(zip: ZipFile, entry: Entry, most: number): Promise<Buffer> {
  const stream = await new Promise<Readable>((resolve, reject) =>
    zip.openReadStream(entry, (cause, read) =>
      cause === null
        ? resolve(read)
        : reject(new BadArchive(`${entry.fileName}: ${cause.message}.`)),
    ),
  )
  const pieces: Buffer[] = []
  let count = 0
  try {
    for await (const piece of stream as AsyncIterable<Buffer>) {
      count += piece.length
      if (count > most) throw new BadArchive(`${entry.fileName} unpacks to more than it says.`)
      pieces.push(piece)
    }
  } catch (cause) {
    throw cause instanceof BadArchive
      ? cause
      : new BadArchive(`${entry.fileName} cannot be unpacked (${(cause as Error).message}).`)
  }
  return Buffer.concat(pieces)
}

function readManifest(bytes: Buffer): ArchiveManifest {
  let input: unknown
  try {
    input = JSON.parse(bytes.toString('utf8'))
  } catch {
    throw new BadArchive(`${MANIFEST} is no JSON.`)
  }
  const read = manifestSchema.safeParse(input)
  if (!read.success)
    throw new BadArchive(`${MANIFEST} is not of this product: ${read.error.issues[0]?.message}.`)
  if (read.data.version > ARCHIVE_VERSION)
    throw new BadArchive(
      `It was made by a newer version (archive ${read.data.version}; this one reads up to ${ARCHIVE_VERSION}). Update first.`,
    )
  return read.data
}
