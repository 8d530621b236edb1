export { decodeTable, LONGEST_TABLE_FILE, type NotATable } from './decode-table'
export { MOST_ROWS, readTable, type TableFile } from './read-table'
