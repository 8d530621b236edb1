import { createMiddleware } from 'hono/factory'
import { refuse, type Refusal } from '../../refusal'
import { replyRefusal } from '../reply'

/** Deepest nesting that a request may have: a fact has six levels. */
const DEEPEST = 64

/** The one type of a body that says something: no other text is taken for JSON, by whatever reads it. */
const JSON_TYPE = /^application\/json(; ?charset=utf-8)?$/
/** Bodies that are bytes: the text of a program, a list from a spreadsheet. */
const BYTES = /^\/api\/(programs\/[^/]*\/text|imports\/[^/]+(\/preview)?)$/

/**
 * Looks at what names a request before anything reads it: path, query and headers have whole characters that can be kept,
 * and no NUL.
 */
export const soundHead = createMiddleware(async (context, next) => {
  const { raw } = context.req
  const { pathname, searchParams } = new URL(raw.url)
  const path = decoded(pathname)
  if (path === undefined || !isSound(path)) return replyRefusal(context, notStorable('path'))
  for (const [name, value] of searchParams)
    if (!isSound(name) || !isSound(value)) return replyRefusal(context, notStorable('query'))
  for (const [name, value] of raw.headers)
    if (!isSound(value)) return replyRefusal(context, notStorable(`header ${name}`))
  return next()
})

/**
 * Looks at a body before anything else does: it is JSON and says so, or bytes where bytes are kept; nested no deeper than
 * any validator should follow; without text that the database cannot keep (a NUL, half of a character).
 */
export const soundBody = createMiddleware(async (context, next) => {
  const { method, path } = context.req
  if (method === 'GET' || method === 'HEAD' || BYTES.test(path)) return next()
  const text = await context.req.text()
  if (text === '') return next()
  const type = context.req.header('Content-Type') ?? ''
  if (!JSON_TYPE.test(type)) return replyRefusal(context, wrongType(type))
  if (isNestedDeeper(text, DEEPEST)) return replyRefusal(context, nestedTooDeep())
  const place = unsoundPlace(parsed(text))
  return place === undefined ? next() : replyRefusal(context, notStorable(place))
})

function decoded(path: string): string | undefined {
  try {
    return decodeURIComponent(path)
  } catch {
    return undefined
  }
}

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

const wrongType = (type: string): Refusal =>
  refuse('wrong-type', {
    message: 'The request does not say that it is JSON.',
    expected: 'Content-Type: application/json',
    received: type === '' ? 'no Content-Type' : type.slice(0, 80),
    remedy: 'Send it with that type, in small letters.',
  }).refusal

const notStorable = (place: string): Refusal =>
  refuse('text-not-storable', {
    place,
    message: 'A text has a character in it that cannot be kept.',
    expected: 'whole characters that can be read',
    received: 'a NUL, or half of a character',
    remedy: 'Type the text again; what came from elsewhere may have been cut.',
  }).refusal
