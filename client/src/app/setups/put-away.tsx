export { PutAwayScreen as default } from '@/areas/setups/put-away-screen'
