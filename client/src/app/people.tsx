export { PeopleScreen as default } from '@/areas/late'
