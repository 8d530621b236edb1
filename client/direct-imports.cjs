const { createHash } = require('node:crypto')
const { existsSync, readdirSync, readFileSync, statSync } = require('node:fs')
const { dirname, join, relative, resolve } = require('node:path')

const REPOSITORY = join(__dirname, '..')
const CORE = join(REPOSITORY, 'core/src')
const CONTRACT = join(REPOSITORY, 'contract/src')
/** What makes a field of the table of fields (core/src/fields/shape.ts). */
const SAYS = ['field', 'optional']

/**
 * Babel: what is imported from a room's door (`@pine/core/ROOM`, `@pine/contract`, a folder beside it) is imported from the file
 * that makes it. A door hangs the whole room on whoever asks it for one name, and with it every room that it asks: the first page
 * would bring the solver for the sake of a list of words. The sources keep their doors; only the bundle walks past them.
 */
module.exports = function directImports({ types: t }) {
  const sourceOf = (file, target) => {
    const path = relative(dirname(file), target).replace(/\.ts$/, '')
    return t.stringLiteral(path.startsWith('.') ? path : `./${path}`)
  }
  const oneByOne = (statement, file) => {
    const door =
      (t.isImportDeclaration(statement) || t.isExportNamedDeclaration(statement)) &&
      statement.source
        ? doorAt(statement.source.value, file)
        : undefined
    if (door === undefined) return [statement]
    if ((statement.importKind ?? statement.exportKind) === 'type') return []
    return statement.specifiers
      .filter((one) => (one.importKind ?? one.exportKind) !== 'type')
      .map((one) => {
        const asked = one.imported ?? one.local
        if (asked === undefined || t.isImportNamespaceSpecifier(one))
          throw new Error(`${file}: name what is imported from ${door}, one by one.`)
        const place = placesBehind(door).get(asked.name)
        if (place === undefined) throw new Error(`${file}: ${door} has no ${asked.name}.`)
        const source = sourceOf(file, place.file)
        const made = t.identifier(place.name)
        return t.isImportDeclaration(statement)
          ? t.importDeclaration([t.importSpecifier(one.local, made)], source)
          : t.exportNamedDeclaration(null, [t.exportSpecifier(made, one.exported)], source)
      })
  }
  return {
    name: 'direct-imports',
    visitor: {
      // What a field means is for readers of the file and the schema: no page shows it, and it weighs as much as a font.
      CallExpression({ node }, { filename }) {
        const [, says] = node.arguments
        if (!filename?.startsWith(CORE) || !t.isIdentifier(node.callee)) return
        if (SAYS.includes(node.callee.name) && t.isStringLiteral(says)) says.value = ''
      },
      Program(program, { filename }) {
        if (filename === undefined || filename.includes('/node_modules/')) return
        program.node.body = program.node.body.flatMap((one) => oneByOne(one, filename))
        program.scope.crawl()
      },
    },
  }
}

/** The index that an import means, if it is one of core's or the contract's. */
function doorAt(source, file) {
  const [, room] = /^@pine\/core\/(.+)$/.exec(source) ?? []
  const folder =
    room !== undefined
      ? join(CORE, room)
      : source === '@pine/contract'
        ? CONTRACT
        : source.startsWith('.')
          ? resolve(dirname(file), source)
          : ''
  const ours = [CORE, CONTRACT].some((root) => folder === root || folder.startsWith(`${root}/`))
  if (!ours || !existsSync(folder) || !statSync(folder).isDirectory()) return undefined
  return join(folder, 'index.ts')
}

const known = new Map()

/** Each value behind a door: in which file it is made, and under which name. Doors behind doors are walked through. */
function placesBehind(door) {
  const before = known.get(door)
  if (before !== undefined) return before
  const places = new Map()
  known.set(door, places)
  const text = readFileSync(door, 'utf8').replace(/\/\*[\s\S]*?\*\/|\/\/.*$/gm, '')
  for (const [, names, source] of text.matchAll(/export \{([^}]*)\} from '([^']+)'/g)) {
    const behind = doorAt(source, door)
    for (const written of names.split(',').map((one) => one.trim())) {
      if (written === '' || written.startsWith('type ')) continue
      const [name, shown = name] = written.split(/\s+as\s+/)
      places.set(
        shown,
        behind === undefined
          ? { file: `${resolve(dirname(door), source)}.ts`, name }
          : placesBehind(behind).get(name),
      )
    }
  }
  return places
}

/** Changes when any door leads elsewhere, or this file does: what was bundled by the old one is then made anew. */
module.exports.doorsHash = () => {
  const doors = [CORE, CONTRACT].flatMap((root) =>
    readdirSync(root, { recursive: true })
      .filter((name) => /(^|\/)index\.ts$/.test(name))
      .map((name) => join(root, name)),
  )
  const hash = createHash('sha256')
  for (const path of [...doors.sort(), join(__dirname, 'direct-imports.cjs')])
    hash.update(readFileSync(path))
  return hash.digest('hex')
}
