export { faultsOf, gravestFirst, judgeAll } from './judge-needs'
export { machineExtents } from './machine-extents'
export { fileAtMachine, lowestZ, mayRun, programStanding } from './program-standing'
export { type SheetFromProgram, sheetFromProgram } from './sheet-from-program'
