export { NewSetupScreen as default } from '@/areas/late'
