import { begins, declares, enters } from './entering'
import { v7 as uuid } from 'uuid'
import type { Pockets } from '@pine/contract'
import { startHarness, type Harness } from './harness'
import { mm, sheetOf } from './sheets'

// Two machines of one shop whose noses differ by 0.05 mm: what was measured on the one counts on the other.

let server: Harness
const [A, B] = [uuid(), uuid()]
const setter = { id: uuid(), kind: 'height-setter', name: '50 mm setter', size: mm('50.000') }
const assemblies = [1, 2, 3, 4].map(() => uuid())
const LENGTHS = [80, 120, 95.5, 60]

beforeAll(async () => {
  server = await startHarness()
  await server.signInAs('Mira Toller', '2468', 'lead')
  const { machine } = sheetOf(1)
  await server.send(...declares('machine', { id: A, machine: { ...machine, name: 'Mill A' } }))
  await server.send(...declares('machine', { id: B, machine: { ...machine, name: 'Mill B' } }))
  await server.send(...declares('gauge', { id: setter.id, gauge: setter }))
})
afterAll(() => server.close())

async function job(name: string, machineId: string, tools: readonly number[], known: object = {}) {
  const id = uuid()
  const sheet = sheetOf(...tools)
  const made = await server.send(
    ...begins({
      ...{ id, sheetFactId: uuid() },
      sheet: {
        ...{ ...sheet, name, machineId, school: 'gauge-line', gauges: [setter] },
        tools: sheet.tools.map((tool) => ({
          ...{ ...tool, assembly: assemblies[tool.number - 1] },
          ...(tool.number === 4 && known),
        })),
      },
    }),
  )
  expect(made.status).toBe(201)
  return id
}

const read = async (setup: string, body: object) => {
  const reading = { id: uuid(), kind: 'reading', body: { ...body, with: [setter.id] } }
  expect((await server.send('POST', `/streams/setup/${setup}/facts`, reading)).status).toBe(201)
}

/** Nose and tips on a plane where the bare nose stands, with so much between the two noses. */
async function touchAll(setup: string, tools: readonly number[], plane: number, nose: number) {
  await read(setup, { of: 'nose-on-plane', read: mm((plane + 50).toFixed(3)) })
  for (const tool of tools)
    await read(setup, {
      ...{ of: 'tip-on-plane', tool },
      read: mm((plane + LENGTHS[tool - 1]! + nose + 50).toFixed(3)),
    })
}

const inPocket = async (machine: string, wanted: number) => {
  const pockets = (await server.send('GET', `/machines/${machine}/tools`)).body as Pockets
  return pockets.find(({ pocket }) => pocket === wanted)
}

test('a tool that comes from another machine brings its length, by what was measured on both', async () => {
  await touchAll(await job('Focuser body', A, [1, 2, 3, 4]), [1, 2, 3, 4], -500, 0)
  expect(await inPocket(A, 4)).toMatchObject({ carried: { because: 'same-machine' } })
  server.passSeconds(86_400)
  await server.signInAs('Mira Toller')

  // Two tools are common, and then three; none is, and nothing tells how the noses differ.
  const moved = { name: 'tool 4', place: { machine: B, pocket: 4 } }
  await server.send(...declares('tool', { id: assemblies[3]!, tool: moved, reason: 'lent' }))
  expect((await inPocket(B, 4))?.lastLength).toEqual(mm('60.000'))
  expect(await inPocket(B, 4)).not.toHaveProperty('carried')
  await touchAll(await job('Clamp ring', B, [1, 2, 3]), [1, 2, 3], -600, 0.05)
  const there = await inPocket(B, 4)
  expect(there?.carried).toMatchObject({
    ...{ length: mm('60.050'), because: 'measured-on-both', machineName: 'Mill A' },
    nose: { tools: 3 },
  })
  expect(there?.carried?.nose?.mm).toBeCloseTo(0.05, 6)

  // Counted so, it needs no touch of its own once the nose is known: H is the length as it is here.
  const { length, uncertainty } = there!.carried!
  const known = { length, lengthUncertainty: uncertainty }
  const next = await job('Flange', B, [1, 4], known)
  await read(next, { of: 'tip-on-plane', tool: 4, read: mm('-489.950') })
  await read(next, { of: 'tip-on-plane', tool: 1, read: mm('-469.950') })
  const { body } = await server.send('GET', `/setups/${next}/solution`)
  const registers = body.registers as { address: string; value: string }[]
  const H = Object.fromEntries(registers.map(({ address, value }) => [address, value]))
  expect(H).toMatchObject({ H4: '60.050', H1: '80.050' })

  // Dropped, it is another tool.
  await server.send(
    ...enters('tool', assemblies[3]!, 'tool-event', {
      ...{ id: uuid(), what: 're-gripped', note: 'slipped' },
    }),
  )
  expect(await inPocket(B, 4)).not.toHaveProperty('carried')
})
