export {
  sheetContent,
  type SheetContent,
  type SheetNumber,
  type SheetRequest,
  type SheetTool,
  type ShopBeside,
} from './sheet-content'
