export { QuickScreen as default } from '@/areas/late'
