export { fontFiles, type FontFiles } from './paper'
export { setupSheetPdf } from './setup-sheet-pdf'
