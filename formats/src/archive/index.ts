export { type ArchiveEntry, type ArchiveManifest } from './manifest'
export { BadArchive, openArchive, type OpenArchive } from './read-archive'
export { writeArchive, type Archived } from './write-archive'
