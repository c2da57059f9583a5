import { useQuery } from '@tanstack/react-query'
import { Suspense } from 'react'
import { Route, Routes } from 'react-router'
import { ApiError, type S } from '../lib/api'
import * as q from '../lib/queries'
import { Failure } from '../ui/Failure'
import { Loading } from '../ui/Loading'
import { Broken } from './Broken'
import { InRun } from './InRun'
import * as Page from './pages'
import { Shell } from './Shell'

/** Every address of the signed-in application, and the sign-in before it. */
export function App() {
  const me = useQuery(q.studio.me())
  // it is asked for again meanwhile, and comes as soon as there is a connection
  const lost = me.error ?? (me.data ? null : me.failureReason)
  if (lost instanceof ApiError && lost.problem.status === 0)
    return (
      <Suspense fallback={<Loading what="what is on this device" />}>
        <Page.OnDevice />
      </Suspense>
    )
  if (me.error) return <Failure error={me.error} />
  if (!me.data) return <Loading what="Riposo" />
  return (
    <Broken>
      <Suspense fallback={<Loading what="the page" />}>
        {me.data.name ? <Addresses me={me.data} /> : <Page.SignIn />}
      </Suspense>
    </Broken>
  )
}

function Addresses({ me }: { me: S['Me'] }) {
  return (
    <Routes>
      <Route path="/run/:runId" element={<InRun emergency={me.emergencyNumber ?? ''} />} />
      <Route element={<Shell me={me} />}>
        <Route index element={<Page.Day />} />
        <Route path="clients" element={<Page.Clients />} />
        <Route path="clients/:clientId/for-client" element={<Page.ForClient />} />
        <Route path="clients/:clientId/for-physio" element={<Page.ForPhysio />} />
        <Route path="clients/:clientId" element={<Page.Client />}>
          <Route index element={<Page.Overview />} />
          <Route path="screening" element={<Page.Screening />} />
          <Route path="screening/:number" element={<Page.ScreeningVersion />} />
          <Route path="limits" element={<Page.Limits />} />
          <Route path="pulse" element={<Page.Pulse />} />
          <Route path="record" element={<Page.Record />} />
          <Route path="papers" element={<Page.Papers />} />
          <Route path="letter" element={<Page.Letter />} />
          <Route path="tolerance" element={<Page.Tolerance />} />
          <Route path="tolerance/:familyId" element={<Page.ToleranceFamily />} />
          <Route path="review" element={<Page.Review />} />
          <Route path="review/:reviewId" element={<Page.Review />} />
          <Route path="plan" element={<Page.Adapt />} />
          <Route path="plan/:planId" element={<Page.Adapt />} />
        </Route>
        <Route path="plans" element={<Page.Plans />} />
        <Route path="plans/:planId" element={<Page.Plan />} />
        <Route path="movements" element={<Page.Movements />} />
        <Route path="movements/new" element={<Page.OwnMovement />} />
        <Route path="movements/family/:familyId" element={<Page.Family />} />
        <Route path="movements/:movementId" element={<Page.Movement />} />
        <Route path="movements/:movementId/edit" element={<Page.OwnMovement />} />
        <Route path="rules" element={<Page.Rules />} />
        <Route path="groups" element={<Page.Groups />} />
        <Route path="groups/:groupId" element={<Page.Group />} />
        <Route path="groups/:groupId/start" element={<Page.GroupStart />} />
        <Route path="after/:runId" element={<Page.After />} />
        <Route path="ask/:checkInId" element={<Page.Ask />} />
        <Route path="kit" element={<Page.Kit />} />
        <Route path="settings" element={<Page.Settings />} />
        <Route path="records" element={<Page.Records />} />
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
