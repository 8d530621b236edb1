import { createHash } from 'node:crypto'
import {
  parseSetupText,
  type Member,
  type ParsedSetup,
  type SetupAnswer,
  type SetupFilePreview,
} from '@pine/contract'
import { decodeTable, LONGEST_TABLE_FILE, type NotATable } from '@pine/formats/table-file'
import type { Clock } from '../clock'
import { accept, refuse, refuseInput, type Outcome } from '../refusal'
import type { Store } from '../store/store'
import { notAllowed } from './people/allowed'

/** More problems than this are counted, and not told one by one. */
const MOST_PROBLEMS = 100

/** A set-up file as it is understood; nothing is written. */
export async function previewSetupFile(
  store: Store,
  person: Member,
  name: string,
  bytes: Uint8Array,
): Promise<Outcome<SetupFilePreview>> {
  const read = readSetupFile(person, bytes)
  if (!read.ok) return read
  const { sha256, parsed } = read.value
  const problems = parsed.ok ? [] : parsed.problems
  return accept({
    ...{ name, sha256 },
    ...(parsed.ok && { file: parsed.file as SetupAnswer['file'] }),
    isHere: parsed.ok && (await store.streamsAmong([parsed.file.id])).size > 0,
    problems: problems.slice(0, MOST_PROBLEMS),
    problemsInAll: problems.length,
  })
}

/** Keeps a set-up file byte for byte under its hash, for what is set up from it to be held against; twice is once. */
export async function keepSetupFile(
  store: Store,
  clock: Clock,
  person: Member,
  bytes: Uint8Array,
): Promise<Outcome<{ readonly sha256: string }>> {
  const read = readSetupFile(person, bytes)
  if (!read.ok) return read
  const { sha256, parsed } = read.value
  if (!parsed.ok) return refuseInput(parsed.problems)
  await store.keepProgramText({ sha256, bytes, personId: person.id, at: clock() })
  return accept({ sha256 })
}

/** A set-up file that was kept. */
export async function keptSetupFile(
  store: Store,
  sha256: string,
): Promise<Outcome<{ readonly file: SetupAnswer['file'] }>> {
  const bytes = /^[0-9a-f]{64}$/.test(sha256) ? await store.programText(sha256) : undefined
  const text = bytes && decodeTable(bytes)
  const parsed = text && 'text' in text ? parseSetupText(text.text) : undefined
  if (parsed?.ok === true) return accept({ file: parsed.file as SetupAnswer['file'] })
  return refuse('not-found', {
    place: 'sha256',
    message: 'This set-up file was not kept.',
    expected: 'the hash of a set-up file that something was set up from',
    received: sha256.slice(0, 80),
    remedy: 'Pick the file again: it is compared with from then on.',
  })
}

function readSetupFile(
  person: Member,
  bytes: Uint8Array,
): Outcome<{ readonly sha256: string; readonly parsed: ParsedSetup }> {
  const denied = notAllowed(person, 'enter')
  if (denied) return { ok: false, refusal: denied }
  const decoded = decodeTable(bytes)
  if ('refused' in decoded) return noSetupFile(decoded.refused, bytes.length)
  return accept({
    sha256: createHash('sha256').update(bytes).digest('hex'),
    parsed: parseSetupText(decoded.text),
  })
}

function noSetupFile(why: NotATable, bytes: number) {
  const isLong = why === 'too-long'
  return refuse('input-wrong', {
    place: 'file',
    message: isLong ? 'This file is longer than any set-up.' : 'There is no text in this file.',
    expected: `a set-up file in JSON, ${LONGEST_TABLE_FILE / 1024 / 1024} megabytes at most`,
    received: `${bytes} bytes`,
    remedy: 'Pick the file that was saved as “The whole set-up”. An archive of a shop is restored.',
  })
}
