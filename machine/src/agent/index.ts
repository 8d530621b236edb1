export { AGENT_ERRORS, currentXml, errorXml, probeXml, sampleXml, type Sender } from './documents'
export { ObservationBuffer } from './buffer'
export { observe } from './observe'
