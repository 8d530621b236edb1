export { fontFiles, type FontFiles } from './paper'
export { cribListPdf, type CribTool } from './crib-list-pdf'
export { labelsPdf, type PrintedLabel } from './labels-pdf'
export { setupSheetPdf } from './setup-sheet-pdf'
