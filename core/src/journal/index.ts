export { type Author, VIAS, type Via, isOrderKnown, isSamePerson, knewOf } from './entered'
export { STREAM_KINDS, type BodyOf as SaidOf, type StreamKind } from './stream'
