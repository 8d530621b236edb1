import type { MachineReport } from '@pine/contract'
import { changedAgent, reportLines } from '@/areas/machines/report-view'
import { cameBy, standsAsTaken, takenOf } from '@/areas/run/read/position/taken'

const REPORT: MachineReport = {
  ...{ address: 'http://10.0.0.1:5000', device: 'Mill 2', uuid: 'u', instance: 1, sequence: 2 },
  ...{ at: '', askedAt: '', apartMs: 0, isAvailable: true, isMoving: false, work: {} },
  machine: { X: -12_345_000, Z: 0 },
  homed: { X: true, Z: false },
  ...{ tool: 0, spindle: 0, lengthRow: '0', rows: [{ row: 'H1', value: 1 }] },
}

test('a machine tells its lines, and nothing that it does not tell', () => {
  expect(reportLines(REPORT, 'mm', 3)).toEqual([
    { name: 'Machine X', value: '−12.345 mm' },
    { name: 'Machine Z, not homed', value: '0.000 mm' },
    { name: 'Tool', value: 'none' },
    { name: 'Length', value: 'none' },
    { name: 'Spindle', value: '0 rpm' },
    { name: 'Its tables', value: '1 rows' },
  ])
  expect(reportLines({ ...REPORT, isAvailable: false }, 'mm', 3)).toEqual([
    { name: 'Power', value: 'none behind its agent' },
  ])
  const busy = { isMoving: true, tool: 3, mode: 'AUTOMATIC', execution: 'ACTIVE', alarm: 'X' }
  expect(reportLines({ ...REPORT, ...busy }, 'in', 4)).toEqual(
    expect.arrayContaining([
      { name: 'Machine X', value: '−0.4860 in' },
      { name: 'Moves', value: 'an axis is moving' },
      { name: 'Tool', value: 'T3' },
      { name: 'It is', value: 'automatic, active' },
      { name: 'Alarm', value: 'X' },
    ]),
  )
})

test('where it answers is typed as numbers with a port, and why; emptied, it tells nothing', () => {
  const made = (address: string, reason = 'new') => changedAgent({ address, reason })
  expect(made(' http://192.168.1.20:5000/ ')).toEqual({
    made: { agent: { address: 'http://192.168.1.20:5000' }, reason: 'new' },
  })
  expect(made('')).toEqual({ made: { agent: null, reason: 'new' } })
  for (const wrong of ['mill:5000', 'http://mill:5000', 'https://10.0.0.1:5000', 'http://10.0.0.1'])
    expect(made(wrong)).toMatchObject({ problems: { address: expect.stringContaining('port') } })
  expect(made('http://10.0.0.1:5000', ' ')).toMatchObject({
    problems: { reason: expect.any(String) },
  })
})

test('a number that is typed over was typed', () => {
  const captured = { agent: 'Mill 2', instance: 1, sequence: 2, at: '2026-12-02T10:00:00Z' }
  const taken = takenOf({ numbers: { read: { text: '-1.000', unit: 'mm' } }, captured }, ['read'])
  expect(standsAsTaken(taken, ['read'], () => '-1.000')).toEqual(captured)
  expect(standsAsTaken(taken, ['read'], () => '-1.001')).toBeUndefined()
  expect(standsAsTaken(undefined, ['read'], () => '')).toBeUndefined()
  expect([cameBy(captured), cameBy(undefined)]).toEqual([{ via: 'captured' }, {}])
})
