export { SignInScreen as default } from '@/areas/people/sign-in-screen'
