import { create } from 'qrcode'

/** Modules of white around the code, by ISO/IEC 18004. */
const QUIET = 4

/** A QR code as one path of unit squares, and the side of its picture with the quiet margin around it. */
export function qrPath(text: string): { readonly path: string; readonly side: number } {
  const { modules } = create(text, { errorCorrectionLevel: 'M' })
  const { size } = modules
  const squares = Array.from(modules.data, (dark, index) =>
    dark ? `M${(index % size) + QUIET} ${Math.floor(index / size) + QUIET}h1v1h-1z` : '',
  )
  return { path: squares.join(''), side: size + 2 * QUIET }
}
