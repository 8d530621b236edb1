export { FromProgramScreen as default } from '@/areas/late'
