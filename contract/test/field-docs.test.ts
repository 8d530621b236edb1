import { readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { SETUP_BODIES, SETUP_SAYS } from '@pine/core/facts'
import type { Fields, Shape } from '@pine/core/fields'
import { SHEET_FIELDS, WATCH_FIELDS } from '@pine/core/sheet'
import { ASSEMBLY_FIELDS, SHOP_FIELDS } from '@pine/core/shop'
import { fieldTable, table, variantTable } from './field-rows'

// The tables of docs/setup-file.md are core's table of fields. PINE_WRITE_DOCS=1 writes them anew.

const PAGE = join(__dirname, '../../docs/setup-file.md')

const recordOf = (shape: Shape | undefined): Fields => {
  if (shape?.is === 'list') return recordOf(shape.of)
  if (shape?.is !== 'record') throw new Error(`a record is expected, ${shape?.is} came`)
  return shape.fields
}
const variantsOf = (shape: Shape | undefined) => {
  if (shape?.is !== 'variants') throw new Error(`variants are expected, ${shape?.is} came`)
  return shape.variants
}
/** The fields that all variants have. */
const commonOf = (variants: Readonly<Record<string, Fields>>): Fields =>
  Object.fromEntries(
    Object.entries(Object.values(variants)[0] ?? {}).filter(([key]) =>
      Object.values(variants).every((fields) => key in fields),
    ),
  )
const reading = variantsOf(SETUP_BODIES.reading)
const everyReading = commonOf(reading)
const checkOff = variantsOf(SETUP_BODIES['check-off'])
const offset = recordOf(SHEET_FIELDS.offsets.shape)
const zPlan = variantsOf(offset['Z']?.shape)

const TABLES: Readonly<Record<string, () => string>> = {
  kinds: () =>
    table(
      ['`kind`', '`body`'],
      Object.entries(SETUP_SAYS).map(([kind, says]) => [`\`${kind}\``, says]),
    ),
  sheet: () => fieldTable(SHEET_FIELDS, ['machine', 'gauges', 'tools', 'tool', 'offsets']),
  machine: () => fieldTable(recordOf(SHEET_FIELDS.machine.shape)),
  gauge: () => fieldTable(recordOf(SHEET_FIELDS.gauges.shape)),
  tool: () => fieldTable(recordOf(SHEET_FIELDS.tools.shape)),
  offset: () => fieldTable(offset),
  'axis-plan': () => variantTable('by', variantsOf(offset['X']?.shape)),
  'z-plan': () => variantTable('by', zPlan, { common: commonOf(zPlan) }),
  'every-z': () => fieldTable(commonOf(zPlan)),
  reading: () => variantTable('of', reading, { common: everyReading }),
  read: () => fieldTable(everyReading),
  position: () => variantTable('of', variantsOf(everyReading['position']?.shape)),
  event: () => variantTable('kind', variantsOf(SETUP_BODIES.event), { elsewhere: ['because'] }),
  'key-in': () => fieldTable(recordOf(SETUP_BODIES['key-in'])),
  'read-back': () => fieldTable(recordOf(SETUP_BODIES['read-back'])),
  acceptance: () => fieldTable(recordOf(SETUP_BODIES.acceptance)),
  proof: () => fieldTable(recordOf(SETUP_BODIES.proof)),
  lift: () => fieldTable(recordOf(SETUP_BODIES.lift)),
  'check-off': () => variantTable('of', checkOff, { elsewhere: ['measured'] }),
  measured: () => fieldTable(recordOf(checkOff['first-part']?.['measured']?.shape)),
  program: () => fieldTable(recordOf(SETUP_BODIES.program), ['reading']),
  watch: () => fieldTable(WATCH_FIELDS),
  assembly: () => fieldTable(ASSEMBLY_FIELDS),
  shop: () =>
    variantTable('kind', {
      'machine-event': SHOP_FIELDS.machine['machine-event'],
      'reversal-test': SHOP_FIELDS.machine['reversal-test'],
      'gauge-check': SHOP_FIELDS.gauge['gauge-check'],
      'tool-event': SHOP_FIELDS.tool['tool-event'],
    }),
}

const PLACES = /<!-- fields: (\S+) -->\n([\s\S]*?)<!-- end -->/g

/** Tables are wide: how prettier pads their cells is none of their words. */
const unpadded = (text: string) =>
  text
    .replace(/ *\| */g, '|')
    .replace(/-{3,}/g, '---')
    .trim()

test('docs/setup-file.md tells every field, as core says it', () => {
  const page = readFileSync(PAGE, 'utf8')
  const written = page.replace(PLACES, (_, name: string) => {
    const table = TABLES[name]?.() ?? 'no such table'
    return `<!-- fields: ${name} -->\n\n${table}\n\n<!-- end -->`
  })
  if (process.env['PINE_WRITE_DOCS'] === '1') writeFileSync(PAGE, written)
  expect([...page.matchAll(PLACES)].map(([, name]) => name).sort()).toEqual(
    Object.keys(TABLES).sort(),
  )
  expect(unpadded(page)).toBe(unpadded(written))
})
