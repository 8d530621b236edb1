import { useMay } from '@/data/server/session'
import { LiftBanner } from '../prove/lift-banner'
import { ConflictBanner, type ConflictBannerProps } from './conflict-banner'

/** What is told at whatever step: a lift that is in, and what two devices did that did not know of each other. */
export function RunBanners(props: ConflictBannerProps) {
  return (
    <>
      <LiftBanner document={props.setup.document} />
      {useMay('enter') && <ConflictBanner {...props} />}
    </>
  )
}
