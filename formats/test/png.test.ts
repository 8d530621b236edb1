import { Resvg } from '@resvg/resvg-wasm'
import { PNG } from 'pngjs'
import { exportSetup, PICTURES } from '../src/exports'
import { exportPicture, pictureFiles } from '../src/png'
import { example, FONTS } from './example'

// Read back by pngjs, which shares nothing with what draws.

const files = pictureFiles(require.resolve, FONTS)
const request = { by: 'Mira Toller', at: '', hash: '', unproven: 'left-out' } as const
const dark = (pixels: Uint8Array) =>
  pixels.filter((level, index) => index % 4 === 0 && level < 128).length

test.each(Object.values(PICTURES))(
  '%s as a picture has its lines and its letters',
  async (what) => {
    const drawing = exportSetup(what, example('bore-and-sweep'), request)
    const { name, png } = await exportPicture(drawing, files)
    expect(name).toBe(drawing.name.replace('.svg', '.png'))
    const { data, width, height } = PNG.sync.read(Buffer.from(png))
    // Three times 420 by 300, and nothing shines through.
    expect([width, height, data[3]]).toEqual([1260, 900, 255])
    const unlettered = drawing.text.replace(/<text[^]*?<\/text>/g, '')
    const zoom = { background: 'white', fitTo: { mode: 'zoom', value: 3 } } as const
    const lines = dark(new Resvg(unlettered, zoom).render().pixels)
    expect(lines).toBeGreaterThan(500)
    // Without its fonts there would be no letters.
    expect(dark(data) - lines).toBeGreaterThan(500)
  },
)
