import { sha256 } from '@noble/hashes/sha2.js'
import { bytesToHex, utf8ToBytes } from '@noble/hashes/utils.js'
import { canonicalJson } from '@pine/contract'
import type { SetupFile } from '@pine/core/facts'

/** SHA-256 of a set-up's file in its canonical form: the same on the phone, on the server and on the command line. */
export const fileHash = (file: SetupFile): string =>
  bytesToHex(sha256(utf8ToBytes(canonicalJson(file))))
