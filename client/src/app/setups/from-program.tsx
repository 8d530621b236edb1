export { FromProgramScreen as default } from '@/areas/program/from-program-screen'
