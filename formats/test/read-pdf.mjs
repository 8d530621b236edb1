// Reads a PDF from standard input by a general reader (pdf.js), and writes its pages as JSON: each piece of text with where it
// stands. In a process of its own, because Jest cannot take that reader in.
import { readFileSync } from 'node:fs'
import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs'

const read = await getDocument({ data: new Uint8Array(readFileSync(0)), verbosity: 0 }).promise
const pages = []
for (let number = 1; number <= read.numPages; number += 1) {
  const page = await read.getPage(number)
  const { items } = await page.getTextContent()
  const [, , width, height] = page.view
  const texts = items
    .filter(({ str }) => str !== undefined && str.trim() !== '')
    .map(({ str, transform }) => ({ text: str, x: transform[4], y: transform[5] }))
  pages.push({ width, height, texts })
}
process.stdout.write(JSON.stringify(pages))
