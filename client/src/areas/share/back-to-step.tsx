import { useRouter } from 'expo-router'
import { Button } from '@/kit/button'

/** The way back from a page beside a run. */
export function BackToStep({ id }: { readonly id: string }) {
  const router = useRouter()
  return (
    <Button
      kind="plain"
      onPress={() => router.replace({ pathname: '/setups/[id]', params: { id } })}
    >
      Back to the step
    </Button>
  )
}
