import { lazy, Suspense, type ComponentType } from 'react'
import { Message } from '@/kit/message'

type Work = typeof import('./work')

const arriving = () => import('./work')

/** Asks for them before anybody does. Without the server they are asked for again with the first screen that is wanted. */
export const fetchLate = (): void => void arriving().catch(() => undefined)

/**
 * A screen that comes after the first page: who signs in or looks over the list waits for neither solver nor sheet. All of them
 * are one piece, fetched when the first screen stands.
 */
function late<Props extends object>(of: (work: Work) => ComponentType<Props>) {
  const Screen = lazy(async () => ({ default: of(await arriving()) }))
  return function Late(props: Props) {
    return (
      <Suspense fallback={<Message text="Opening …" />}>
        <Screen {...props} />
      </Suspense>
    )
  }
}

export const GaugeScreen = late((work) => work.GaugeScreen)
export const MachineScreen = late((work) => work.MachineScreen)
export const AgainScreen = late((work) => work.AgainScreen)
export const ChangeSheetScreen = late((work) => work.ChangeSheetScreen)
export const NewSetupScreen = late((work) => work.NewSetupScreen)
/** Who comes in by a code types a form: most sign in by a name that is there. */
export const Join = late((work) => work.Join)
export const PeopleScreen = late((work) => work.PeopleScreen)
export const PlanScreen = late((work) => work.PlanScreen)
export const FromFileScreen = late((work) => work.FromFileScreen)
export const FromProgramScreen = late((work) => work.FromProgramScreen)
export const QuickScreen = late((work) => work.QuickScreen)
export const ProgramScreen = late((work) => work.ProgramScreen)
export const RecheckScreen = late((work) => work.RecheckScreen)
export const RunScreen = late((work) => work.RunScreen)
export const HandOverScreen = late((work) => work.HandOverScreen)
export const LogScreen = late((work) => work.LogScreen)
export const ShareScreen = late((work) => work.ShareScreen)
export const ShopLogScreen = late((work) => work.ShopLogScreen)
export const CompareScreen = late((work) => work.CompareScreen)
export const FirstPartsScreen = late((work) => work.FirstPartsScreen)
export const TableScreen = late((work) => work.TableScreen)
export const PutAwayScreen = late((work) => work.PutAwayScreen)
export const ImportScreen = late((work) => work.ImportScreen)
export const ShopScreen = late((work) => work.ShopScreen)
export const LabelScreen = late((work) => work.LabelScreen)
export const ScanScreen = late((work) => work.ScanScreen)
export const ToolScreen = late((work) => work.ToolScreen)
export const ToolsScreen = late((work) => work.ToolsScreen)
