export { ScanScreen as default } from '@/areas/tools/scan-screen'
