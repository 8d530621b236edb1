import { parse } from 'csv-parse/sync'
import { v7 as uuid } from 'uuid'
import { PICTURES, TEXT_EXPORTS, type PictureExport } from '@pine/formats/exports'
import { parseSetupText } from '@pine/contract'
import { begins, declares } from './entering'
import { startHarness, type Harness } from './harness'
import { mm, sheetOf } from './sheets'

let shop: Harness
beforeAll(async () => {
  shop = await startHarness()
  await shop.signInAs('Mira Toller')
})
afterAll(() => shop.close())

/** A set-up with one length read on its first tool, which the shop keeps in pocket 7. */
async function measured(): Promise<string> {
  const [machineId, assembly, id] = [uuid(), uuid(), uuid()]
  const sheet = sheetOf(1)
  const control = { ...sheet.machine.control, offsetProgram: { offsets: 'L2', tools: 'L10' } }
  const machine = { ...sheet.machine, control }
  await shop.send(...declares('machine', { id: machineId, machine }))
  const tool = {
    name: 'roughing mill',
    holder: { name: 'ER32 long' },
    stickOut: mm('42.0'),
    place: { machine: machineId, pocket: 7 },
  }
  await shop.send(...declares('tool', { id: assembly, tool }))
  const [first] = sheet.tools
  const own = { ...first!, number: 7, lengthRegister: 7, assembly }
  const begun = await shop.send(
    ...begins({ id, sheetFactId: uuid(), sheet: { ...sheet, machine, machineId, tools: [own] } }),
  )
  expect(begun.status).toBe(201)
  const read = {
    of: 'tip-on-plane',
    tool: 7,
    read: mm('-220.000'),
    with: [sheet.gauges[0]!.id],
  }
  const entered = { id: uuid(), kind: 'reading', body: read }
  expect((await shop.send('POST', `/streams/setup/${id}/facts`, entered)).status).toBe(201)
  return id
}

test('every file of a set-up can be had by whoever may look, under a name of its own', async () => {
  const id = await measured()
  await shop.signInAs('Vera Looks', '1357', 'viewer')
  for (const what of TEXT_EXPORTS) {
    const answer = await shop.request('GET', `/setups/${id}/exports/${what}?unproven=marked`)
    expect([what, answer.status]).toEqual([what, 200])
    expect(answer.headers.get('content-disposition')).toMatch(
      /^attachment; filename="[a-z0-9-]+\.[a-z]+"$/,
    )
    expect((await answer.text()).length).toBeGreaterThan(20)
  }
  await shop.signInAs('Mira Toller')
})

test('the file that goes out is the set-up, and the program writes its length, marked, for who asks', async () => {
  const id = await measured()
  const file = await (await shop.request('GET', `/setups/${id}/exports/setup-file`)).text()
  const parsed = parseSetupText(file)
  expect(parsed.ok && parsed.document.readings[0]).toMatchObject({ tool: 7, read: mm('-220.000') })
  const program = async (how: string) =>
    (await shop.request('GET', `/setups/${id}/exports/offset-program?zone=60${how}`)).text()
  const marked = await program('&unproven=marked')
  expect(marked).toMatch(/\(H7 NOT KEYED, NOT PROVEN\)\nG10 L10 P7 R-\d+\.\d+\n/)
  expect(marked).toContain('(WRITTEN FOR MIRA TOLLER, 2 MAR 2026 09:00)')
  expect(await program('')).not.toContain('G10')
  const table = await (await shop.request('GET', `/setups/${id}/exports/registers-table`)).text()
  const rows = parse(table, { bom: true, columns: true }) as Record<string, string>[]
  expect(rows.find(({ register }) => register === 'H7')).toMatchObject({
    tool: 'T7',
    state: 'read',
  })
})

test('the sheet comes as PDF on the paper that is asked for, and what is no paper is refused', async () => {
  const id = await measured()
  const sheet = await shop.request('GET', `/setups/${id}/set-up-sheet.pdf?paper=Letter`)
  expect(sheet.headers.get('content-type')).toBe('application/pdf')
  const bytes = Buffer.from(await sheet.arrayBuffer())
  expect(bytes.subarray(0, 5).toString()).toBe('%PDF-')
  expect(bytes.toString('latin1')).toContain('/MediaBox [0 0 612 792]')
  const wrong = await shop.send('GET', `/setups/${id}/set-up-sheet.pdf?paper=A0`)
  expect(wrong).toMatchObject({ status: 422, body: { error: { place: 'paper' } } })
})

test.each([
  ['/exports/registers-table', 'a set-up that is not there'],
  ['/set-up-sheet.pdf', 'a set-up that is not there'],
])('%s of %s is not found', async (path) => {
  expect((await shop.send('GET', `/setups/${uuid()}${path}`)).status).toBe(404)
})

test('a drawing comes as a picture of points', async () => {
  const id = await measured()
  for (const what of Object.keys(PICTURES) as PictureExport[]) {
    const answer = await shop.request('GET', `/setups/${id}/exports/${what}`)
    expect(answer.headers.get('content-type')).toBe('image/png')
    expect(answer.headers.get('content-disposition')).toMatch(
      /^attachment; filename="[a-z0-9-]+\.png"$/,
    )
    const bytes = Buffer.from(await answer.arrayBuffer())
    expect(bytes.toString('latin1', 1, 4)).toBe('PNG')
  }
})

test('a file that nobody makes is not found', async () => {
  expect((await shop.send('GET', `/setups/${await measured()}/exports/secrets`)).status).toBe(404)
})

test('what is in a changer, and labels for it, come on the paper that is asked for', async () => {
  const setup = await measured()
  const { machineId } = (await shop.send('GET', `/setups/${setup}`)).body.file.facts[0].body
  for (const [what, paper, box] of [
    ['crib-list', 'Letter', '612 792'],
    ['labels', 'A4', '595.28 841.89'],
  ]) {
    const sheet = await shop.request('GET', `/machines/${machineId}/${what}.pdf?paper=${paper}`)
    expect([what, sheet.status]).toEqual([what, 200])
    const bytes = Buffer.from(await sheet.arrayBuffer()).toString('latin1')
    expect(bytes).toContain(`/MediaBox [0 0 ${box}]`)
    expect((await shop.send('GET', `/machines/${uuid()}/${what}.pdf`)).status).toBe(404)
  }
})
