import { execFileSync } from 'node:child_process'
import { join } from 'node:path'
import { SaxesParser } from 'saxes'
import { serveAgent, type ServedAgent } from '../src/host'
import { StandIn } from '../src/stand-in'
import { benchMill, mm } from './bench-mill'

const SCHEMAS = join(__dirname, 'schema')

/** Fails where xmllint (Debian's libxml2-utils) finds a document not well-formed or not valid. */
function valid(xml: string): string {
  const [, kind = ''] = /<MTConnect(Streams|Devices|Error)/.exec(xml) ?? []
  const schema = join(SCHEMAS, `${kind.toLowerCase()}.xsd`)
  execFileSync('xmllint', ['--noout', '--nonet', '--schema', schema, '-'], {
    input: xml,
    stdio: 'pipe',
  })
  return xml
}

/** What a document tells, by data item; a table as its rows. Read by saxes. */
function told(xml: string): Record<string, string> {
  const found: Record<string, string> = {}
  const open: { id?: string; row?: string; text: string }[] = []
  const parser = new SaxesParser()
  parser.on('opentag', ({ attributes }) => {
    const { dataItemId, name } = attributes as Record<string, string>
    const outer = open.at(-1)?.id
    open.push({ ...(dataItemId && { id: dataItemId }), ...(outer && { row: name! }), text: '' })
  })
  parser.on('text', (text) => void (open.at(-1) && (open.at(-1)!.text += text)))
  parser.on('closetag', ({ name }) => {
    const { id, row, text } = open.pop()!
    if (row !== undefined) found[row] = text
    else if (id !== undefined)
      found[id] =
        name === 'Normal' || name === 'Fault' || name === 'Unavailable' ? name : text.trim()
  })
  parser.write(xml).close()
  return found
}

let agent: ServedAgent
let machine: StandIn
let clock = 0
beforeEach(async () => {
  clock = Date.parse('2026-12-02T10:00:00Z')
  machine = new StandIn(benchMill({ rows: { H1: mm(-270), 'G54.Z': mm(-30) } }), 3)
  machine.home()
  agent = await serveAgent(machine, {
    ...{ port: 0, uuid: '0190aaaa-0000-7000-8000-000000000001', instance: 41 },
    now: () => new Date(clock),
  })
})
afterEach(() => agent.close())

const ask = async (path: string) => {
  const answer = await fetch(`http://127.0.0.1:${agent.port}${path}`)
  return { status: answer.status, text: await answer.text() }
}
const hand = async (said: object, headers: Record<string, string> = {}) => {
  const answer = await fetch(`http://127.0.0.1:${agent.port}/hand`, {
    method: 'POST',
    headers: { 'Content-Type': 'application/json', ...headers },
    body: JSON.stringify(said),
  })
  return { status: answer.status, body: (await answer.json()) as any }
}
const header = (xml: string, name: string) => Number(new RegExp(`${name}="(\\d+)"`).exec(xml)?.[1])

test('probe, current and sample are valid, and tell one machine', async () => {
  const probe = valid((await ask('/probe')).text)
  const current = valid((await ask('/current')).text)
  const items = [...probe.matchAll(/<DataItem [^>]*\bid="([^"]+)"/g)].map(([, id]) => id)
  const now = told(current)
  // Everything that is declared is told, and nothing else; the tables by their rows.
  expect(items.toSorted()).toEqual(
    Object.keys(now)
      .filter((name) => !/^(H|D|G5|EXT)/.test(name))
      .toSorted(),
  )
  expect(now).toMatchObject({
    ...{ avail: 'AVAILABLE', 'x-machine': '0', 'z-homed': 'YES', estop: 'ARMED', system: 'Normal' },
    ...{
      mode: 'MANUAL',
      execution: 'READY',
      tool: '0',
      'work-offset': 'G54',
      program: 'UNAVAILABLE',
    },
    ...{ H1: '-270', 'G54.Z': '-30' },
  })
  expect(told(valid((await ask('/sample')).text))).toEqual(now)
  expect(told(valid((await ask('/Bench%20mill/current')).text))).toEqual(now)
})

test('what a hand does is told with the next number, and only that', async () => {
  const before = header((await ask('/current')).text, 'nextSequence')
  await hand({ do: 'load', tool: 2 })
  await hand({ do: 'drive', X: -12.3456789, Z: -5 })
  await hand({ do: 'key', row: 'H2', key: 'set', typed: -230.5 })
  const { text } = await ask(`/sample?from=${before}`)
  const news = told(valid(text))
  expect(news).toMatchObject({
    tool: '2',
    'x-machine': '-12.345679',
    'z-machine': '-5',
    H2: '-230.5',
  })
  // The tables are told whole, or not at all; what stands still is not told again.
  expect([news['H1'], news['y-machine'], news['avail']]).toEqual(['-270', undefined, undefined])
  expect(header(text, 'nextSequence')).toBe(header((await ask('/current')).text, 'nextSequence'))
  const first = await ask(`/sample?from=${before}&count=1`)
  expect(header(first.text, 'nextSequence')).toBe(before + 1)
  expect(Object.keys(told(valid(first.text)))).toEqual(['tool'])
})

test('a machine without power tells that alone; an alarm is a fault with its words', async () => {
  machine.open('a.nc', 'G7')
  machine.start()
  machine.advance(10)
  const faulty = valid((await ask('/current')).text)
  expect(told(faulty)).toMatchObject({
    system: 'Fault',
    execution: 'STOPPED',
    line: '1',
    block: 'G7',
  })
  expect(faulty).toContain('G7 is not known to this control.')
  await hand({ do: 'lose-power' })
  const off = told(valid((await ask('/current')).text))
  expect(new Set(Object.values(off))).toEqual(new Set(['UNAVAILABLE', 'Unavailable']))
})

test('what cannot be answered is an error by its code', async () => {
  for (const [path, status, code] of [
    ['/sample?from=999999', 404, 'OUT_OF_RANGE'],
    ['/sample?from=0', 404, 'OUT_OF_RANGE'],
    ['/sample?count=0', 404, 'OUT_OF_RANGE'],
    ['/sample?from=x', 400, 'INVALID_REQUEST'],
    ['/sample?interval=-1', 400, 'INVALID_REQUEST'],
    ['/other/current', 404, 'NO_DEVICE'],
    ['/other', 404, 'NO_DEVICE'],
    ['/Bench%20mill/assets', 501, 'UNSUPPORTED'],
    ['/current?path=//Axes', 501, 'UNSUPPORTED'],
  ] as const) {
    const answer = await ask(path)
    expect([path, answer.status]).toEqual([path, status])
    expect(valid(answer.text)).toContain(`errorCode="${code}"`)
  }
})

test('a stream tells changes as they come, part by part', async () => {
  const from = header((await ask('/current')).text, 'nextSequence')
  const stop = new AbortController()
  const answer = await fetch(`http://127.0.0.1:${agent.port}/sample?from=${from}&interval=10`, {
    signal: stop.signal,
  })
  const boundary = /boundary=(\S+)/.exec(answer.headers.get('content-type') ?? '')?.[1]
  expect(boundary).toBeDefined()
  await hand({ do: 'drive', X: -1 })
  const reader = answer.body!.getReader()
  let text = ''
  while (!text.includes('x-machine')) text += new TextDecoder().decode((await reader.read()).value)
  const [, length, rest] = /Content-length: (\d+)\r\n\r\n([^]*)/.exec(
    text.slice(text.lastIndexOf('--next')),
  )!
  expect(told(valid(rest!.slice(0, Number(length))))['x-machine']).toBe('-1')
  stop.abort()
})

test('a program is followed while time passes', async () => {
  await hand({ do: 'open', name: 'plate.nc', text: 'G1 X-100 F6000\nM30' })
  await hand({ do: 'start' })
  clock += 500
  const moving = told((await ask('/current')).text)
  expect(moving).toMatchObject({ execution: 'ACTIVE', mode: 'AUTOMATIC', program: 'plate.nc' })
})

test('no page of a browser moves it, and what is not understood is said', async () => {
  expect((await hand({ do: 'home' }, { Origin: 'http://evil.example' })).status).toBe(400)
  expect((await hand({ do: 'home' }, { 'Content-Type': 'text/plain' })).status).toBe(400)
  expect((await hand({ do: 'fly' })).body.wrong).toMatch(/^do is one of home, /)
  expect((await hand({ do: 'sense' })).body).toEqual({ done: [] })
})
