import { WORK_ROWS } from '../control'
import { alarm, type Alarm } from './alarm'
import type { Modal } from './modal'
import type { Word } from './words'

const G_WORDS = new Set([
  ...[0, 1, 2, 3, 4, 10, 17, 20, 21, 28, 30, 40, 41, 42, 43, 49, 52, 53],
  ...[54, 55, 56, 57, 58, 59, 61, 64, 80, 81, 82, 83, 85, 89, 90, 91, 92, 92.1, 92.2, 94, 98, 99],
])
const M_WORDS = new Set([0, 1, 2, 3, 4, 5, 6, 7, 8, 9, 30, 98, 99])
const LETTERS = new Set('XYZIJRFSTHDPQL'.split(''))
const MOTIONS = [0, 1, 2, 3, 80, 81, 82, 83, 85, 89] as const

/** Whether a control of this kind knows a word. */
export const isTaken = ({ letter, value }: Word): boolean =>
  letter === 'G' ? G_WORDS.has(value) : letter === 'M' ? M_WORDS.has(value) : LETTERS.has(letter)

/** What is in force once the words of a block are taken. */
export function takeModal(before: Modal, words: readonly Word[]): Modal | Alarm {
  const number = (letter: string) => words.find((word) => word.letter === letter)?.value
  let modal = before
  const set = (part: Partial<Modal>): void => void (modal = { ...modal, ...part })
  for (const { letter, value } of words) {
    if (letter === 'S') set({ speed: value })
    if (letter === 'T') set({ selected: value })
    if (letter === 'M') set(ofM(value))
    if (letter === 'G') {
      const taken = ofG(value, number, modal)
      if ('alarm' in taken) return taken
      set(taken)
    }
  }
  const feed = number('F')
  if (feed !== undefined) set({ feed: feed * (modal.unit === 'mm' ? 1_000_000 : 25_400_000) })
  return modal
}

function ofM(value: number): Partial<Modal> {
  if (value === 3) return { spindle: 'forward' }
  if (value === 4) return { spindle: 'back' }
  if (value === 5) return { spindle: 'off' }
  if (value === 7 || value === 8) return { coolant: true }
  return value === 9 ? { coolant: false } : {}
}

function ofG(
  value: number,
  number: (letter: string) => number | undefined,
  { lengthRow }: Modal,
): Partial<Modal> | Alarm {
  const motion = MOTIONS.find((one) => one === value)
  if (motion !== undefined) return motion >= 80 ? { motion, hole: {} } : { motion }
  const row = WORK_ROWS.find((one) => one === `G${value}`)
  if (row !== undefined) return { row }
  switch (value) {
    case 20:
      return { unit: 'in' }
    case 21:
      return { unit: 'mm' }
    case 90:
      return { isAbsolute: true }
    case 91:
      return { isAbsolute: false }
    case 98:
    case 99:
      return { returns: value }
    case 40:
      return { cutter: undefined }
    case 41:
    case 42: {
      const D = number('D')
      if (D === undefined) return alarm(`G${value} without D.`)
      return { cutter: { side: value === 41 ? 'left' : 'right', row: `D${D}` } }
    }
    case 43: {
      const H = number('H')
      if (H === undefined && lengthRow === undefined) return alarm('G43 without H.')
      return H === undefined ? {} : { lengthRow: H === 0 ? undefined : `H${H}` }
    }
    case 49:
      return { lengthRow: undefined }
    default:
      return {}
  }
}
