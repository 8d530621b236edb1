import { createMiddleware } from 'hono/factory'
import { refuse, type Refusal } from '../refusal'
import { replyRefusal } from './reply'

/** Deepest nesting that a request may have: a fact has six levels. */
const DEEPEST = 64

/**
 * Looks at a JSON body before anything else does: nested deeper than any validator should follow, or with text that the
 * database cannot keep (a NUL, half of a character), it is refused in words.
 */
export const soundJson = createMiddleware(async (context, next) => {
  const type = context.req.header('Content-Type') ?? ''
  if (!type.startsWith('application/json')) return next()
  const text = await context.req.text()
  if (isNestedDeeper(text, DEEPEST)) return replyRefusal(context, nestedTooDeep())
  const place = unsoundPlace(parsed(text))
  return place === undefined ? next() : replyRefusal(context, notStorable(place))
})

/** Undefined where it is no JSON: the validator tells that. */
function parsed(text: string): unknown {
  try {
    return JSON.parse(text)
  } catch {
    return undefined
  }
}

/** Whether brackets outside of texts are nested deeper than that. */
function isNestedDeeper(json: string, most: number): boolean {
  let depth = 0
  let inText = false
  for (let at = 0; at < json.length; at += 1) {
    const character = json[at]
    if (inText) {
      if (character === '\\') at += 1
      else if (character === '"') inText = false
    } else if (character === '"') inText = true
    else if (character === '[' || character === '{') {
      depth += 1
      if (depth > most) return true
    } else if (character === ']' || character === '}') depth -= 1
  }
  return false
}

const isSound = (text: string): boolean => !text.includes('\0') && !/\p{Surrogate}/u.test(text)

/** Where the first text lies that cannot be kept, as a path such as `sheet.tools.0.name`; undefined where all can be. */
function unsoundPlace(value: unknown, place = ''): string | undefined {
  if (typeof value === 'string') return isSound(value) ? undefined : place
  if (typeof value !== 'object' || value === null) return undefined
  for (const [name, inner] of Object.entries(value)) {
    if (!isSound(name)) return place
    const found = unsoundPlace(inner, place === '' ? name : `${place}.${name}`)
    if (found !== undefined) return found
  }
  return undefined
}

const nestedTooDeep = (): Refusal =>
  refuse('nested-too-deep', {
    message: 'The request is nested deeper than anything that is kept here.',
    expected: `at most ${DEEPEST} levels`,
    received: 'more than that',
    remedy: 'Send a fact as docs/setup-file.md describes it.',
  }).refusal

const notStorable = (place: string): Refusal =>
  refuse('text-not-storable', {
    place,
    message: 'A text has a character in it that cannot be kept.',
    expected: 'whole characters that can be read',
    received: 'a NUL, or half of a character',
    remedy: 'Type the text again; what came from elsewhere may have been cut.',
  }).refusal
