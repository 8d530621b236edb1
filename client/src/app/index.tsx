export { SetupsScreen as default } from '@/areas/setups/setups-screen'
