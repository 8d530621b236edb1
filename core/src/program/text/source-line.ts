/** What a file's bytes say as text; UTF-8 as a rule. It belongs to who reads the file: core knows no platform. */
export type Decode = (bytes: Uint8Array) => string

/**
 * The line that is being read: where it stands in some bytes, or a text. Its text is made only where
 * something is told of it, since most lines of a long program have nothing to tell.
 */
export class SourceLine {
  bytes: Uint8Array = new Uint8Array(0)
  from = 0
  to = 0
  private known: string | undefined

  constructor(private readonly decode: Decode) {}

  /** The bytes may be written over once the line was read. */
  set(bytes: Uint8Array, from: number, to: number): void {
    this.bytes = bytes
    this.from = from
    this.to = to
    this.known = undefined
  }

  /** A line that is at hand as text; what is not ASCII stands as zero in its bytes. */
  setText(text: string): void {
    const bytes = new Uint8Array(text.length)
    for (let at = 0; at < text.length; at += 1) {
      const code = text.charCodeAt(at)
      bytes[at] = code < FIRST_BEYOND_ASCII ? code : 0
    }
    this.set(bytes, 0, text.length)
    this.known = text
  }

  get text(): string {
    this.known ??= this.decode(this.bytes.subarray(this.from, this.to))
    return this.known
  }
}

const FIRST_BEYOND_ASCII = 128
