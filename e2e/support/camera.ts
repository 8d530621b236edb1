import { writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { create } from 'qrcode'

const WIDTH = 640
const HEIGHT = 480
/** Pixels of one module of the code: as large as a label is that is held before a phone. */
const MODULE = 8

/**
 * What a camera sees that a label with this text is held before: a file that Chromium plays in its stead (YUV4MPEG2, grey).
 *
 * @returns where it lies.
 */
export function filmOfLabel(text: string): string {
  const { modules } = create(text, { errorCorrectionLevel: 'M' })
  const [left, top] = [WIDTH, HEIGHT].map((side) =>
    Math.floor((side - modules.size * MODULE) / 2),
  ) as [number, number]
  // A grey bench, the white label with its quiet margin, the dark modules on it.
  const light = Buffer.alloc(WIDTH * HEIGHT, 120)
  const paint = (x: number, y: number, size: number, tone: number) => {
    for (let row = y; row < y + size; row += 1)
      light.fill(tone, row * WIDTH + x, row * WIDTH + x + size)
  }
  const margin = 4 * MODULE
  paint(left - margin, top - margin, modules.size * MODULE + 2 * margin, 235)
  modules.data.forEach((dark, index) => {
    if (!dark) return
    const [x, y] = [index % modules.size, Math.floor(index / modules.size)]
    paint(left + x * MODULE, top + y * MODULE, MODULE, 16)
  })
  const colour = Buffer.alloc((WIDTH * HEIGHT) / 2, 128)
  const path = join(tmpdir(), `pine-label-${process.pid}.y4m`)
  const picture = Buffer.concat([Buffer.from('FRAME\n'), light, colour])
  writeFileSync(
    path,
    Buffer.concat([
      Buffer.from(`YUV4MPEG2 W${WIDTH} H${HEIGHT} F10:1 Ip A1:1 C420jpeg\n`),
      ...Array.from({ length: 5 }, () => picture),
    ]),
  )
  return path
}
