import { createServer, type RequestListener, type Server } from 'node:http'
import type { AddressInfo } from 'node:net'
import { v7 as uuid } from 'uuid'
import { machineReportSchema } from '@pine/contract'
import { serveAgent, type ServedAgent } from '@pine/machine/host'
import { StandIn } from '@pine/machine/stand-in'
import { hostAndPort, readAgents } from '../src/agents/allowed-agents'
import { BadDocument, readXml } from '../src/agents/read-xml'
import { benchMill, mm } from '../../machine/test/bench-mill'
import { declares } from './entering'
import { startHarness, type Harness } from './harness'
import { sheetOf } from './sheets'

// What a machine says of itself: asked of the stand-in, of agents that answer badly, and never of anything that was not listed.

let agent: ServedAgent
let machine: StandIn
let shop: Harness
let odd: Server
let answer: RequestListener = (_request, response) => void response.end()
const [mill, strange, unlisted, bare] = [uuid(), uuid(), uuid(), uuid()]
const oddAddress = () => `http://127.0.0.1:${(odd.address() as AddressInfo).port}`

beforeAll(async () => {
  machine = new StandIn(benchMill({ rows: { H1: mm(-270) } }), 3)
  machine.home()
  const clock = () => new Date()
  agent = await serveAgent(machine, { port: 0, uuid: uuid(), instance: 7, now: clock })
  odd = createServer((request, response) => answer(request, response)).listen(0, '127.0.0.1')
  await new Promise((listening) => odd.once('listening', listening))
  const listed = [agent.port, (odd.address() as AddressInfo).port].map(
    (port) => `127.0.0.1:${port}`,
  )
  shop = await startHarness(new Set(listed))
  await shop.signInAs('Mira Toller')
  const declared = (id: string, name: string, address?: string) =>
    shop.send(
      ...declares('machine', {
        id,
        machine: {
          ...sheetOf(1).machine,
          name,
          ...(address && { agent: { address } }),
        },
      }),
    )
  for (const [id, name, address] of [
    [mill, 'Mill', `http://127.0.0.1:${agent.port}/Bench%20mill`],
    [strange, 'Strange', oddAddress()],
    [unlisted, 'Unlisted', 'http://127.0.0.1:1'],
    [bare, 'Bare', undefined],
  ] as const)
    expect((await declared(id, name, address)).status).toBe(201)
})
afterAll(async () => {
  await shop.close()
  await agent.close()
  odd.closeAllConnections()
  odd.close()
})

const ask = (id: string) => shop.send('GET', `/machines/${id}/agent`)

test('a machine is told as it stands: position, homed axes, tool, rows, spindle', async () => {
  machine.load(2)
  machine.driveTo({ X: mm(-12.345), Z: mm(-1) })
  machine.turnSpindle(900)
  const { status, body } = await ask(mill)
  expect(status).toBe(200)
  expect(machineReportSchema.parse(body)).toMatchObject({
    ...{ device: 'Bench mill', instance: 7, isAvailable: true, isMoving: false },
    machine: { X: -12_345_000, Y: 0, Z: -1_000_000 },
    work: { X: -12_345_000 },
    homed: { X: true, Y: true, Z: true },
    ...{ tool: 2, workRow: 'G54', spindle: 900, execution: 'READY', emergencyStop: false },
    rows: [{ row: 'H1', value: -270_000_000 }],
  })
  expect(Math.abs(Date.parse(body.at) - Date.now())).toBeLessThan(5000)
  machine.turnSpindle(0)
})

test('an axis that moves is told to move; a machine without power tells that and no number', async () => {
  machine.driveTo({ X: 0, Z: 0 })
  machine.open('slow.nc', 'G1 X-400 F5000')
  machine.start()
  expect((await ask(mill)).body).toMatchObject({ isMoving: true, execution: 'ACTIVE' })
  machine.toHand()
  machine.losePower()
  const { body } = await ask(mill)
  expect(body).toMatchObject({ isAvailable: false, machine: {}, homed: {}, rows: [] })
  expect(body).not.toHaveProperty('tool')
  machine.powerOn()
  expect((await ask(mill)).body.homed).toEqual({ X: false, Y: false, Z: false })
})

test('nothing is asked that is not listed, and a machine without an agent says so', async () => {
  for (const [id, words] of [
    [unlisted, 'This server may not ask http://127.0.0.1:1'],
    [bare, 'Bare has no network address: its numbers are typed.'],
  ] as const) {
    const { status, body } = await ask(id)
    expect([status, body.error.code]).toEqual([502, 'agent-failed'])
    expect(body.error.message).toContain(words)
  }
  expect((await ask(uuid())).status).toBe(404)
})

test('what answers badly is told in words: no document, a redirect, a bomb, another machine, silence', async () => {
  const told = async (listener: RequestListener): Promise<string> => {
    answer = listener
    const { status, body } = await ask(strange)
    expect(status).toBe(502)
    return body.error.message
  }
  const says = (text: string) => told((_request, response) => void response.end(text))
  expect(await says('')).toContain('cannot be read')
  expect(await says('<html></html>')).toContain('cannot be read')
  expect(await says('{"json": true}')).toContain('cannot be read')
  const entity = '<!DOCTYPE a [<!ENTITY b "x"><!ENTITY c "&b;&b;&b;&b;">]><a>&c;</a>'
  expect(await says(entity)).toContain('it declares a type of document')
  expect(await says('<a>'.repeat(100))).toContain('it is longer than any agent’s')
  expect(await says(`<a>${'<b/>'.repeat(30_000)}</a>`)).toContain('it is longer than any agent’s')
  expect(await says(`<a>${' '.repeat(5 * 1024 * 1024)}</a>`)).toContain('longer than any agent’s')
  let wasAsked = false
  const target = createServer((_request, response) => {
    wasAsked = true
    response.end()
  }).listen(0, '127.0.0.1')
  await new Promise((listening) => target.once('listening', listening))
  const elsewhere = `http://127.0.0.1:${(target.address() as AddressInfo).port}/`
  expect(
    await told((_q, response) => void response.writeHead(302, { Location: elsewhere }).end()),
  ).toBe('The machine does not answer.')
  expect(wasAsked).toBe(false)
  target.close()
  expect(await told((_q, response) => void response.writeHead(500).end('no'))).toContain(
    'it answers 500',
  )
  expect(await told((request) => void request.socket.destroy())).toBe(
    'The machine does not answer.',
  )
  // The right documents of another device.
  const other = await fetch(`http://127.0.0.1:${agent.port}/probe`).then((one) => one.text())
  const streams = await fetch(`http://127.0.0.1:${agent.port}/current`).then((one) => one.text())
  answer = (request, response) =>
    void response.end(
      request.url === '/probe' ? other : streams.replace(/uuid="[^"]+"/, 'uuid="x"'),
    )
  expect((await ask(strange)).body.error.message).toContain('it tells nothing of the machine')
  answer = (request, response) =>
    void response.end(request.url === '/probe' ? other : streams.replace(/lastSequence="\d+"/, ''))
  expect((await ask(strange)).body.error.message).toContain('its header has no numbers')
})

test('an agent that was started anew is another instance, and its device is looked up anew', async () => {
  const probe = await fetch(`http://127.0.0.1:${agent.port}/probe`).then((one) => one.text())
  const streams = await fetch(`http://127.0.0.1:${agent.port}/current`).then((one) => one.text())
  let probes = 0
  let instance = 100
  answer = (request, response) => {
    if (request.url === '/probe') probes += 1
    response.end(
      request.url === '/probe'
        ? probe
        : streams.replace(/instanceId="\d+"/, `instanceId="${instance}"`),
    )
  }
  expect((await ask(strange)).body.instance).toBe(100)
  await ask(strange)
  expect(probes).toBe(1)
  instance = 101
  expect((await ask(strange)).body.instance).toBe(101)
  expect(probes).toBe(2)
})

test('a position in another unit, a commanded one, and one of no axis are none', async () => {
  const probe = await fetch(`http://127.0.0.1:${agent.port}/probe`).then((one) => one.text())
  machine.home()
  await new Promise((passed) => setTimeout(passed, 120))
  const homed = await fetch(`http://127.0.0.1:${agent.port}/current`).then((one) => one.text())
  const keysOf = async (change: (probe: string) => string) => {
    answer = (request, response) =>
      void response.end(
        request.url === '/probe'
          ? change(probe)
          : homed.replace(
              /instanceId="\d+"/,
              `instanceId="${Date.now() + Math.round(performance.now() * 1000)}"`,
            ),
      )
    return Object.keys((await ask(strange)).body.machine)
  }
  expect(await keysOf((text) => text)).toEqual(['X', 'Y', 'Z'])
  expect(await keysOf((text) => text.replaceAll('MILLIMETER', 'INCH'))).toEqual([])
  expect(await keysOf((text) => text.replaceAll('ACTUAL', 'COMMANDED'))).toEqual([])
  expect(await keysOf((text) => text.replace('name="X"', 'name="U"'))).toEqual(['Y', 'Z'])
})

test.each([
  ['http://127.0.0.1:5000/Mill', '127.0.0.1:5000'],
  ['http://192.168.1.20:5000', '192.168.1.20:5000'],
  ['http://10.0.0.1', '10.0.0.1:80'],
  ['http://[::1]:5000', '[::1]:5000'],
  ['http://[fd00::1]:5000', '[fd00::1]:5000'],
  ['http://8.8.8.8:5000', undefined],
  ['http://localhost:5000', undefined],
  ['http://169.254.169.254/latest', undefined],
  ['http://172.32.0.1:5000', undefined],
  ['https://127.0.0.1:5000', undefined],
  ['http://user@127.0.0.1:5000', undefined],
  ['http://127.0.0.1:5000/?a', undefined],
  // As a browser reads it, this is this computer all the same.
  ['http://0x7f.1:5000', '127.0.0.1:5000'],
  ['file:///etc/passwd', undefined],
  ['', undefined],
])('%s is %s', (address, known) => {
  expect(hostAndPort(address)).toBe(known)
})

test('the list of agents is read, and what is none ends the start in one line', () => {
  expect([...readAgents(' 127.0.0.1:5000, 192.168.1.20:5001 ,')]).toEqual([
    '127.0.0.1:5000',
    '192.168.1.20:5001',
  ])
  expect(readAgents('').size).toBe(0)
  for (const wrong of ['localhost:5000', '8.8.8.8:80', '127.0.0.1', 'http://127.0.0.1:5000'])
    expect(() => readAgents(wrong)).toThrow(`PINE_AGENTS holds “${wrong}”`)
})

test('a document that ends in the middle, or begins twice, is none', () => {
  for (const text of ['<a>', '<a></b>', '<a/><a/>', '<a b=c/>', '&x;', '<a>&x;</a>'])
    expect(() => readXml(text)).toThrow(BadDocument)
  expect(
    readXml('<p:a xmlns:p="x"><p:b c="d">e&amp;<![CDATA[f]]></p:b></p:a>').children[0],
  ).toMatchObject({
    ...{ name: 'b', attributes: { c: 'd' }, text: 'e&f' },
  })
})
