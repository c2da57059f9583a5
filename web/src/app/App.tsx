import { useQuery } from '@tanstack/react-query'
import { Route, Routes } from 'react-router'
import { AdaptPage } from '../features/adapt'
import { CheckInPage } from '../features/checkin'
import {
  ClientLayout,
  ClientOverview,
  ClientsPage,
  LetterPage,
  PapersPage,
  RecordPage,
} from '../features/clients'
import { DayPage } from '../features/day'
import { GroupPage, GroupsPage } from '../features/groups'
import { LimitsPage } from '../features/limits'
import { FamilyPage, MovementPage, MovementsPage, OwnMovementPage } from '../features/movements'
import { RulesPage } from '../features/rules'
import { KitPage } from '../features/kit'
import { PulsePage } from '../features/pulse'
import { SettingsPage } from '../features/settings'
import { PlanPage, PlansPage } from '../features/plans'
import { RecordsPage } from '../features/records'
import { AfterPage, RunPage } from '../features/run'
import { ScreeningPage, ScreeningVersion } from '../features/screening'
import { SignInPage } from '../features/signin'
import { TolerancePage } from '../features/tolerance'
import { api, type S } from '../lib/api'
import { Failure, Loading } from '../ui'
import { Shell } from './Shell'

export function App() {
  return (
    <Routes>
      <Route path="/check-in/:token" element={<CheckInPage />} />
      <Route path="*" element={<Signed />} />
    </Routes>
  )
}

function Signed() {
  const me = useQuery({ queryKey: ['me'], queryFn: () => api.get<S['Me']>('/me') })
  if (me.error) return <Failure error={me.error} />
  if (!me.data) return <Loading what="Riposo" />
  if (!me.data.name) return <SignInPage />
  return (
    <Routes>
      <Route path="/run/:runId" element={<RunPage emergency={me.data.emergencyNumber ?? ''} />} />
      <Route element={<Shell me={me.data} />}>
        <Route index element={<DayPage />} />
        <Route path="clients" element={<ClientsPage />} />
        <Route path="clients/:clientId" element={<ClientLayout />}>
          <Route index element={<ClientOverview />} />
          <Route path="screening" element={<ScreeningPage />} />
          <Route path="screening/:number" element={<ScreeningVersion />} />
          <Route path="limits" element={<LimitsPage />} />
          <Route path="pulse" element={<PulsePage />} />
          <Route path="record" element={<RecordPage />} />
          <Route path="papers" element={<PapersPage />} />
          <Route path="letter" element={<LetterPage />} />
          <Route path="tolerance" element={<TolerancePage />} />
          <Route path="plan" element={<AdaptPage />} />
          <Route path="plan/:planId" element={<AdaptPage />} />
        </Route>
        <Route path="plans" element={<PlansPage />} />
        <Route path="plans/:planId" element={<PlanPage />} />
        <Route path="movements" element={<MovementsPage />} />
        <Route path="movements/new" element={<OwnMovementPage />} />
        <Route path="movements/family/:familyId" element={<FamilyPage />} />
        <Route path="movements/:movementId" element={<MovementPage />} />
        <Route path="movements/:movementId/edit" element={<OwnMovementPage />} />
        <Route path="rules" element={<RulesPage />} />
        <Route path="groups" element={<GroupsPage />} />
        <Route path="groups/:groupId" element={<GroupPage />} />
        <Route path="after/:runId" element={<AfterPage />} />
        <Route path="kit" element={<KitPage />} />
        <Route path="settings" element={<SettingsPage />} />
        <Route path="records" element={<RecordsPage />} />
        <Route
          path="*"
          element={
            <p className="py-10">There is nothing at this address. The day sheet is where today is.</p>
          }
        />
      </Route>
    </Routes>
  )
}
