/** Signs beyond Latin-1 that the fonts on paper have: the range `latin` of their package, but for its arrows. */
const ALSO = new Set('ıŒœ‘’“”„•…–—−∕€™'.split(''))

/** Letters that are no letter with a mark, by what is read as the same. */
const PLAIN: Readonly<Record<string, string>> = {
  Ł: 'L',
  ł: 'l',
  Đ: 'D',
  đ: 'd',
  Ħ: 'H',
  ħ: 'h',
  Ŋ: 'N',
  ŋ: 'n',
  '≈': '~',
  '≤': '<=',
  '≥': '>=',
  '→': '->',
}

/**
 * A text in the signs that the fonts on paper have. A letter with a mark that they lack is written without it; what is left is a
 * question mark, and not an empty box that nobody notices.
 */
export const printable = (text: string): string =>
  [...text.normalize('NFC')]
    .map((sign) => {
      if (isThere(sign)) return sign
      const plain = PLAIN[sign] ?? sign.normalize('NFKD').replace(/[\u0300-\u036f]/g, '')
      return plain !== '' && [...plain].every(isThere) ? plain : '?'
    })
    .join('')

const isThere = (sign: string): boolean => sign <= '\u00ff' || ALSO.has(sign)
