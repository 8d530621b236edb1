import { useRouter } from 'expo-router'
import { Button } from '@/kit/button'
import { Page } from '@/kit/frame/page'
import { Words } from '@/kit/words'

export default function NotFound() {
  const router = useRouter()
  return (
    <Page title="There is no such page.">
      <Words>The address may be from an older version, or mistyped.</Words>
      <Button kind="act" onPress={() => router.replace('/')}>
        All set-ups
      </Button>
    </Page>
  )
}
