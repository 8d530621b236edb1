// An interpreter of the tests' own, small and plain: it keeps the whole program, makes an object for every word, and
// knows only what the random writer writes. From the published rules (NISTIR 6556 §3.5, from memory), not from core.

type Axis = 'X' | 'Y' | 'Z'
type Place = Record<Axis, number | undefined>
export type PlainExtents = Partial<Record<Axis, [number, number]>>

export interface PlainOperation {
  readonly tool: number | undefined
  readonly rows: Map<string, PlainExtents>
  readonly diameters: Set<number>
}

const AXES: readonly Axis[] = ['X', 'Y', 'Z']

/** What each tool reaches in each row, in millimetres. */
export function interpret(text: string): readonly PlainOperation[] {
  const at: Place = { X: undefined, Y: undefined, Z: undefined }
  const state = {
    perUnit: 1,
    absolute: true,
    plane: 17,
    motion: undefined as number | undefined,
    row: 'G54',
    returnsToStart: true,
    R: undefined as number | undefined,
    depth: undefined as number | undefined,
    start: undefined as number | undefined,
    D: undefined as number | undefined,
    hasLength: false,
  }
  let prepared: number | undefined
  let operation: PlainOperation = { tool: undefined, rows: new Map(), diameters: new Set() }
  const operations = [operation]

  const reach = (axis: Axis, to: number) => {
    const extents = operation.rows.get(state.row) ?? {}
    operation.rows.set(state.row, extents)
    const from = at[axis] ?? to
    const [low, high] = extents[axis] ?? [Infinity, -Infinity]
    extents[axis] = [Math.min(low, from, to), Math.max(high, from, to)]
    at[axis] = to
  }
  const forget = () => AXES.forEach((axis) => (at[axis] = undefined))
  const target = (axis: Axis, written: number): number | undefined =>
    state.absolute ? written : at[axis] === undefined ? undefined : at[axis]! + written
  const go = (words: ReadonlyMap<string, number>, except?: Axis) => {
    const goals = AXES.flatMap((axis) => {
      const written = words.get(axis)
      if (written === undefined || axis === except) return []
      const goal = target(axis, written * state.perUnit)
      // Counted from nowhere, it leads nowhere.
      return goal === undefined ? [] : [[axis, goal] as const]
    })
    for (const [axis, goal] of goals) reach(axis, goal)
  }

  for (const line of text.split('\n')) {
    const code = line.replace(/\([^)]*\)|;.*$/g, '')
    if (/[#[\]=]/.test(code)) continue
    const words = [...code.matchAll(/([A-Z])\s*([-+]?[\d.]+)/g)].map(
      ([, letter, number]) => [letter!, Number(number)] as const,
    )
    const first = new Map<string, number>()
    for (const [letter, number] of words) if (!first.has(letter)) first.set(letter, number)
    const G = words.flatMap(([letter, number]) => (letter === 'G' ? [number] : []))
    const M = words.flatMap(([letter, number]) => (letter === 'M' ? [number] : []))
    prepared = first.get('T') ?? prepared
    if (M.includes(6)) {
      forget()
      state.hasLength = false
      operation = { tool: prepared, rows: new Map(), diameters: new Set() }
      operations.push(operation)
    }
    for (const g of G) {
      if (g === 20) state.perUnit = 25.4
      if (g === 21) state.perUnit = 1
      if (g === 90 || g === 91) state.absolute = g === 90
      if (g === 98 || g === 99) state.returnsToStart = g === 98
      if (g >= 17 && g <= 19) state.plane = g
      if (g === 0 || g === 1) state.motion = g
      if (g >= 54 && g <= 59 && state.row !== `G${g}`) {
        state.row = `G${g}`
        forget()
      }
      if (g === 80) {
        if (state.motion !== undefined && state.motion > 1) state.motion = undefined
        state.R = state.depth = undefined
      }
      if (g === 73 || (g >= 81 && g <= 89)) {
        if (state.motion === undefined || state.motion <= 1) state.start = at[depthOf(state.plane)]
        state.motion = g
      }
      if (g === 43) {
        at.Z = undefined
        state.hasLength = true
      }
      if (g === 49) {
        if (state.hasLength) at.Z = undefined
        state.hasLength = false
      }
    }
    state.D = first.get('D') ?? state.D
    if ((G.includes(41) || G.includes(42)) && state.D !== undefined)
      operation.diameters.add(state.D)
    const names = AXES.filter((axis) => first.has(axis))
    // Words of a macro, of a rotation, of a scaling and of a code that nobody knows are their own.
    if (G.some((g) => [5.1, 65, 68, 51, 187].includes(g))) {
      if (names.length > 0) forget()
      continue
    }
    if (G.includes(28) || G.includes(30)) {
      if (names.length === 0) forget()
      else {
        go(first)
        for (const axis of names) at[axis] = undefined
      }
      continue
    }
    if (G.includes(53)) {
      for (const axis of names) at[axis] = undefined
      continue
    }
    if (state.motion === undefined) continue
    if (state.motion <= 1) {
      go(first)
      continue
    }
    if (names.length === 0 && !first.has('R')) continue
    const depth = depthOf(state.plane)
    const [R, Z] = [first.get('R'), first.get(depth)]
    if (R !== undefined)
      state.R = state.absolute
        ? R * state.perUnit
        : state.start === undefined
          ? undefined
          : state.start + R * state.perUnit
    if (Z !== undefined)
      state.depth = state.absolute
        ? Z * state.perUnit
        : state.R === undefined
          ? undefined
          : state.R + Z * state.perUnit
    if (state.R === undefined || state.depth === undefined) continue
    for (let hole = 0; hole < (first.get('L') ?? 1); hole += 1) {
      if (at[depth] !== undefined && at[depth]! < state.R) reach(depth, state.R)
      go(first, depth)
      reach(depth, state.R)
      reach(depth, state.depth)
      reach(
        depth,
        state.returnsToStart && state.start !== undefined
          ? Math.max(state.start, state.R)
          : state.R,
      )
    }
  }
  return operations.filter(({ tool, rows }) => tool !== undefined || rows.size > 0)
}

const depthOf = (plane: number): Axis => (plane === 17 ? 'Z' : plane === 18 ? 'Y' : 'X')
