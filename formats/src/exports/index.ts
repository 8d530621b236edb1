export { fileHash } from './file-hash'
export {
  exportSetup,
  fileStem,
  TEXT_EXPORTS,
  type ExportedFile,
  type ExportRequest,
  type TextExport,
} from './setup-exports'
