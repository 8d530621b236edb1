import { readFile } from 'node:fs/promises'
import { initWasm, Resvg } from '@resvg/resvg-wasm'
import type { ExportedFile } from '../exports/setup-exports'
import type { FontFiles } from '../pdf/paper'
import { unpackedFont } from '../pdf/unpacked-font'

/** What draws a picture: its fonts, and the program that turns a drawing into points. */
export interface PictureFiles {
  readonly fonts: FontFiles
  readonly wasm: string
}

/** Where the program lies. @param resolve as `require.resolve`, from where the packages are installed. */
export const pictureFiles = (
  resolve: (file: string) => string,
  fonts: FontFiles,
): PictureFiles => ({ fonts, wasm: resolve('@resvg/resvg-wasm/index_bg.wasm') })

/** Sharp on a phone and in a message. */
const ENLARGED = 3

let started: Promise<void> | undefined

/** Once a process: the program is compiled when the first picture is asked for. */
const start = (wasm: string): Promise<void> => (started ??= readFile(wasm).then(initWasm))

/** A drawing as a PNG on white, with the product's own fonts: none of the computer's is looked for. */
async function drawnPng(
  svg: string,
  { fonts, wasm }: PictureFiles,
): Promise<Uint8Array<ArrayBuffer>> {
  await start(wasm)
  const drawing = new Resvg(svg, {
    background: 'white',
    fitTo: { mode: 'zoom', value: ENLARGED },
    font: {
      fontBuffers: Object.values(fonts).map((file: string) => unpackedFont(file)),
      loadSystemFonts: false,
    } as never,
  })
  try {
    return new Uint8Array(drawing.render().asPng())
  } finally {
    drawing.free()
  }
}

export interface ExportedPicture {
  readonly name: string
  readonly png: Uint8Array<ArrayBuffer>
}

/** A drawing that leaves as a picture, under the drawing's own name. */
export async function exportPicture(
  { name, text }: ExportedFile,
  files: PictureFiles,
): Promise<ExportedPicture> {
  return { name: name.replace(/\.svg$/, '.png'), png: await drawnPng(text, files) }
}
