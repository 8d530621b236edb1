import { prepareZXingModule, readBarcodes } from 'zxing-wasm/reader'

// It ships with the application: scripts/build-client.mjs copies it out of its package.
prepareZXingModule({ overrides: { locateFile: (name: string) => `/wasm/${name}` } })

/** The texts of the QR codes in what a video shows now; none before its first picture. */
export async function readCodes(video: HTMLVideoElement): Promise<readonly string[]> {
  const { videoWidth: width, videoHeight: height } = video
  if (width === 0 || height === 0) return []
  const canvas = Object.assign(document.createElement('canvas'), { width, height })
  const drawing = canvas.getContext('2d', { willReadFrequently: true })
  if (drawing === null) return []
  drawing.drawImage(video, 0, 0)
  const found = await readBarcodes(drawing.getImageData(0, 0, width, height), {
    formats: ['QRCode'],
    maxNumberOfSymbols: 1,
  })
  return found.map(({ text }) => text)
}
