export { NewSetupScreen as default } from '@/areas/new-setup/new-setup-screen'
