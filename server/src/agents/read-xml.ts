import { SaxesParser, type SaxesTagPlain } from 'saxes'

/** An element of a document, without its namespace's prefix. */
export interface Element {
  readonly name: string
  readonly attributes: Readonly<Record<string, string>>
  readonly parent: Element | undefined
  text: string
  readonly children: Element[]
}

const MOST_ELEMENTS = 20_000
const DEEPEST = 40

/** A document that is no agent's. */
export class BadDocument extends Error {}

/**
 * The elements of a document. No type of document may be declared in it, so that no entity can swell or fetch anything; it may not be
 * deeper or longer than an agent's are.
 *
 * @throws BadDocument with what is wrong.
 */
export function readXml(text: string): Element {
  const parser = new SaxesParser()
  let count = 0
  let depth = 0
  let open: Element | undefined
  let root: Element | undefined
  parser.on('doctype', () => {
    throw new BadDocument('it declares a type of document')
  })
  parser.on('error', (cause) => {
    throw new BadDocument(cause.message.slice(0, 200))
  })
  parser.on('opentag', ({ name, attributes }: SaxesTagPlain) => {
    count += 1
    depth += 1
    if (count > MOST_ELEMENTS || depth > DEEPEST)
      throw new BadDocument('it is longer than any agent’s')
    const element: Element = {
      ...{ name: local(name), attributes: attributes, parent: open, text: '', children: [] },
    }
    open?.children.push(element)
    root ??= element
    open = element
  })
  const add = (part: string) => {
    if (open !== undefined) open.text += part
  }
  parser.on('text', add)
  parser.on('cdata', add)
  parser.on('closetag', () => {
    depth -= 1
    open = open?.parent
  })
  parser.write(text).close()
  if (root === undefined) throw new BadDocument('there is nothing in it')
  return root
}

const local = (name: string): string => name.slice(name.indexOf(':') + 1)

/** Every element below one, in the order of the document. */
export function* within({ children }: Element): Iterable<Element> {
  for (const child of children) {
    yield child
    yield* within(child)
  }
}
