export { PutAwayScreen as default } from '@/areas/late'
