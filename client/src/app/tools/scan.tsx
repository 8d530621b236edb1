export { ScanScreen as default } from '@/areas/late'
