import { useMay } from '@/data/server/session'
import { LiftBanner } from '../../prove/lift-banner'
import { NoteBanner } from './note-banner'
import { ConflictBanner, type ConflictBannerProps } from './conflict-banner'

/** What is told at whatever step: a lift that is in, and what two devices did that did not know of each other. */
export function RunBanners(props: ConflictBannerProps) {
  return (
    <>
      <LiftBanner document={props.setup.document} />
      <NoteBanner setup={props.setup} enter={props.enter} />
      {useMay('enter') && <ConflictBanner {...props} />}
    </>
  )
}
