import { later } from '../lib/later'

// Each page is loaded when somebody goes to its address.
export const Day = later(() => import('../features/day'), 'DayPage')
export const Clients = later(() => import('../features/clients/ClientsPage'), 'ClientsPage')
export const Client = later(() => import('../features/clients/ClientLayout'), 'ClientLayout')
export const Overview = later(() => import('../features/clients/ClientOverview'), 'ClientOverview')
export const Record = later(() => import('../features/clients/RecordPage'), 'RecordPage')
export const Papers = later(() => import('../features/clients/PapersPage'), 'PapersPage')
export const Letter = later(() => import('../features/clients/LetterPage'), 'LetterPage')
export const Screening = later(() => import('../features/screening'), 'ScreeningPage')
export const ScreeningVersion = later(
  () => import('../features/screening/ScreeningVersion'),
  'ScreeningVersion',
)
export const Limits = later(() => import('../features/limits/LimitsPage'), 'LimitsPage')
export const Pulse = later(() => import('../features/pulse'), 'PulsePage')
export const Tolerance = later(() => import('../features/tolerance'), 'TolerancePage')
export const ToleranceFamily = later(() => import('../features/tolerance/FamilyPage'), 'FamilyPage')
export const Review = later(() => import('../features/review'), 'ReviewPage')
export const ForClient = later(() => import('../features/review/ForClient'), 'ForClient')
export const ForPhysio = later(() => import('../features/review/ForPhysio'), 'ForPhysio')
export const Adapt = later(() => import('../features/adapt'), 'AdaptPage')
export const Plans = later(() => import('../features/plans/PlansPage'), 'PlansPage')
export const Plan = later(() => import('../features/plans/PlanPage'), 'PlanPage')
export const Movements = later(() => import('../features/movements/MovementsPage'), 'MovementsPage')
export const Movement = later(() => import('../features/movements/MovementPage'), 'MovementPage')
export const Family = later(() => import('../features/movements/FamilyPage'), 'FamilyPage')
export const OwnMovement = later(() => import('../features/movements/OwnMovementPage'), 'OwnMovementPage')
export const Rules = later(() => import('../features/rules'), 'RulesPage')
export const Groups = later(() => import('../features/groups/GroupsPage'), 'GroupsPage')
export const Group = later(() => import('../features/groups/GroupPage'), 'GroupPage')
export const GroupStart = later(() => import('../features/groups/StartPage'), 'StartPage')
export const After = later(() => import('../features/run/AfterPage'), 'AfterPage')
export const Ask = later(() => import('../features/checkin/AskPage'), 'AskPage')
export const OnDevice = later(() => import('../features/run/OnDevice'), 'OnDevice')
export const Run = later(() => import('../features/run/RunPage'), 'RunPage')
export const Kit = later(() => import('../features/kit'), 'KitPage')
export const Settings = later(() => import('../features/settings'), 'SettingsPage')
export const Records = later(() => import('../features/records'), 'RecordsPage')
export const SignIn = later(() => import('../features/signin'), 'SignInPage')

/** Loads what an address shows first, before anything is drawn. */
export async function warm(path: string): Promise<void> {
  const first = path === '/' ? Day : path.startsWith('/clients/') ? Client : undefined
  // what cannot be loaded is said where it is shown
  await first?.load().catch(() => {})
}
