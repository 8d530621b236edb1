export { PeopleScreen as default } from '@/areas/people/people-screen'
