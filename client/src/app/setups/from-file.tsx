export { FromFileScreen as default } from '@/areas/late'
