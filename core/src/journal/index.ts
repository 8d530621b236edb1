export { type Author, VIAS, type Via, isSamePerson } from './entered'
export { STREAM_KINDS, type SaidOf, type StreamKind } from './stream'
