import type { IncomingMessage } from 'node:http'
import { AXES, type Axis } from '../kit'
import type { StandIn } from '../stand-in'

/** A hand at the machine, for who has none: what it does is said as JSON. Lengths in millimetres. */
const HAND: Readonly<Record<string, (machine: StandIn, said: Said) => unknown>> = {
  home: (machine) => machine.home(),
  'lose-power': (machine) => machine.losePower(),
  'power-on': (machine) => machine.powerOn(),
  'emergency-stop': (machine) => machine.pressEmergencyStop(),
  release: (machine) => machine.release(),
  load: (machine, { tool, called }) => machine.load(tool, called ?? tool),
  turn: (machine, { turns = 0 }) => machine.turnSpindle(turns),
  drive: (machine, said) =>
    machine.driveTo(
      Object.fromEntries(
        AXES.flatMap((axis) => (said[axis] === undefined ? [] : [[axis, nm(said[axis])]])),
      ),
    ),
  click: (machine, { axis = 'Z', clicks = 0, step = 0 }) => machine.click(axis, clicks, nm(step)),
  key: (machine, { row = '', key = 'set', typed = 0 }) =>
    machine.key(row, { key, typed: nm(typed) }),
  activate: (machine, { row, length }) =>
    machine.activate({
      ...(row !== undefined && { row: row as 'G54' }),
      ...(length !== undefined && { lengthRow: length === '' ? undefined : length }),
    }),
  open: (machine, { name = 'program', text = '' }) => machine.open(name, text),
  start: (machine, { by }) => machine.start(by),
  hold: (machine) => machine.hold(),
  sense: (machine) => machine.sensed(),
}

interface Said extends Partial<Record<Axis, number>> {
  readonly do?: string
  readonly tool?: number
  readonly called?: number
  readonly turns?: number
  readonly axis?: Axis
  readonly clicks?: number
  readonly step?: number
  readonly row?: string
  readonly key?: 'set' | 'add' | 'copy' | 'copy-counter' | 'position'
  readonly typed?: number
  readonly length?: string
  readonly name?: string
  readonly text?: string
  readonly by?: 'program' | 'block-by-block'
}

const nm = (millimetres: number): number => Math.round(millimetres * 1_000_000)

const LONGEST = 1_000_000

/** Does what a request says. A page of a browser cannot send it: it is no form, and no other origin is let in. */
export async function hand(
  machine: StandIn,
  request: IncomingMessage,
): Promise<{ readonly done: unknown } | { readonly wrong: string }> {
  if (!/^application\/json\b/.test(request.headers['content-type'] ?? ''))
    return { wrong: 'Say it as application/json.' }
  if (request.headers.origin !== undefined) return { wrong: 'No page of a browser moves it.' }
  let text = ''
  for await (const chunk of request) {
    text += String(chunk)
    if (text.length > LONGEST) return { wrong: 'That is too long.' }
  }
  let said: Said
  try {
    said = JSON.parse(text) as Said
  } catch {
    return { wrong: 'That is not JSON.' }
  }
  const does = HAND[said?.do ?? '']
  if (does === undefined) return { wrong: `do is one of ${Object.keys(HAND).join(', ')}.` }
  return { done: does(machine, said) ?? machine.shown }
}
