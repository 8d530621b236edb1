export { setupSheetHtml } from './setup-sheet-html'
