export { fileHash } from './file-hash'
export {
  exportSetup,
  fileStem,
  PICTURES,
  TEXT_EXPORTS,
  type ExportedFile,
  type ExportRequest,
  type PictureExport,
  type TextExport,
} from './setup-exports'
