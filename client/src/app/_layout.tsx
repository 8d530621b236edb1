import '@/theme/global.css'
import { Slot } from 'expo-router'
import { AppFrame } from '@/kit/app-frame'

export default function Layout() {
  return (
    <AppFrame>
      <Slot />
    </AppFrame>
  )
}
