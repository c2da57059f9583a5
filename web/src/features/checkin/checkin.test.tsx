import { screen, waitFor } from '@testing-library/react'
import { Route, Routes } from 'react-router'
import { describe, expect, it } from 'vitest'
import type { S } from '../../lib/api'
import { LOST, Refusal, server, show } from '../../test/studio'
import { CheckInPage } from '.'
import { AskPage } from './AskPage'
import { answerOf, lines, NOTHING, tappedOf } from './answer'

const PAGE: S['Page'] = {
  firstName: 'Odile',
  studio: 'Lanternfield Hall',
  emergencyNumber: '112',
  session: '24 Nov',
  second: false,
  daysLate: 0,
}
const TOKEN = 'tok'
const AT = '/api/check-in/tok'

const tapFour = async (user: ReturnType<typeof show>['user'], pain: string, news: string[]) => {
  await user.click(await screen.findByRole('radio', { name: `pain ${pain}` }))
  await user.click(screen.getByRole('radio', { name: 'worse' }))
  await user.click(screen.getByRole('radio', { name: 'no' }))
  for (const n of news) await user.click(screen.getByRole('button', { name: n }))
}

describe('the check-in', () => {
  it('takes several signs, shows them to be looked over, and sends only then', async () => {
    const s = server({ [`GET ${AT}`]: PAGE, [`POST ${AT}`]: { changeUntil: '09:12' } })
    const { user } = show(<CheckInPage token={TOKEN} />)
    expect(await screen.findByText(/Lanternfield Hall, about the session of 24 Nov/)).toBeTruthy()
    await tapFour(user, '4', ['Numbness', 'A joint gave way'])
    await user.click(screen.getByRole('button', { name: 'knee' }))
    await user.click(screen.getByRole('radio', { name: 'left' }))
    await user.click(screen.getByText(/More to tell/))
    await user.type(screen.getByLabelText('In your words'), 'stairs were hard')
    await user.click(screen.getByRole('button', { name: 'Look it over' }))
    expect(screen.getByText('Numbness; A joint gave way')).toBeTruthy()
    expect(s.sent('POST', AT)).toHaveLength(0)
    await user.click(screen.getByRole('button', { name: 'Send' }))
    expect(await screen.findByText(/can be changed until 09:12/)).toBeTruthy()
    expect(s.sent('POST', AT)[0]?.body).toEqual({
      pain: 4,
      compared: 'WORSE',
      moreTired: false,
      newSigns: ['NUMBNESS', 'GIVING_WAY'],
      where: 'left knee',
      words: 'stairs were hard',
    })
    expect(screen.getByText(/Please also tell your doctor/)).toBeTruthy()
  })

  it('says nothing new only when it is tapped, and lets go of it when a sign is', async () => {
    server({ [`GET ${AT}`]: PAGE })
    const { user } = show(<CheckInPage token={TOKEN} />)
    await tapFour(user, '0', [])
    const look = screen.getByRole<HTMLButtonElement>('button', { name: 'Look it over' })
    expect(look.disabled).toBe(true)
    await user.click(screen.getByRole('button', { name: 'Nothing new' }))
    expect(look.disabled).toBe(false)
    await user.click(screen.getByRole('button', { name: 'Swelling, gone again' }))
    expect(screen.getByRole('button', { name: 'Nothing new' }).getAttribute('aria-pressed')).toBe('false')
    await user.click(screen.getByRole('button', { name: 'Nothing new' }))
    expect(screen.getByRole('button', { name: 'Swelling, gone again' }).getAttribute('aria-pressed')).toBe(
      'false',
    )
  })

  it('says to call at once when an emergency sign is tapped, before anything is sent', async () => {
    server({ [`GET ${AT}`]: PAGE })
    const { user } = show(<CheckInPage token={TOKEN} />)
    await tapFour(user, '1', ['Chest pain, fainting, breathless at rest, a weak face or arm'])
    expect(screen.getByRole('alert').textContent).toContain('call 112 now')
  })

  it('keeps what was tapped when sending fails', async () => {
    let lost = true
    server({
      [`GET ${AT}`]: PAGE,
      [`POST ${AT}`]: () => {
        if (lost) throw LOST
        return { changeUntil: '10:00' }
      },
    })
    const { user } = show(<CheckInPage token={TOKEN} />)
    await tapFour(user, '2', ['Nothing new'])
    await user.click(screen.getByRole('button', { name: 'Look it over' }))
    await user.click(screen.getByRole('button', { name: 'Send' }))
    expect(await screen.findByRole('alert')).toBeTruthy()
    lost = false
    expect(screen.getByText('2 of 10')).toBeTruthy()
    await user.click(screen.getByRole('button', { name: 'Send' }))
    expect(await screen.findByText(/Thank you, Odile/)).toBeTruthy()
  })

  it('opens again within the hour with what was answered, to be changed', async () => {
    const answer: S['NextDay'] = {
      pain: 3,
      compared: 'SAME',
      moreTired: true,
      newSigns: [],
      more: { where: 'left knee, hip', swelling: 'PASSED', sleep: 0 },
    }
    const s = server({
      [`GET ${AT}`]: { ...PAGE, daysLate: 2, answer, changeUntil: '09:12' },
      [`POST ${AT}`]: { changeUntil: '09:12' },
    })
    const { user } = show(<CheckInPage token={TOKEN} />)
    await user.click(await screen.findByRole('button', { name: 'Change my answer' }))
    expect(screen.getByText(/2 days late is fine/)).toBeTruthy()
    await user.click(await screen.findByRole('radio', { name: 'pain 2' }))
    await user.click(screen.getByRole('button', { name: 'Look it over' }))
    await user.click(screen.getByRole('button', { name: 'Send' }))
    await waitFor(() => expect(s.sent('POST', AT)).toHaveLength(1))
    expect(s.sent('POST', AT)[0]?.body).toEqual({
      pain: 2,
      compared: 'SAME',
      moreTired: true,
      newSigns: [],
      swelling: 'PASSED',
      where: 'left knee, hip',
      sleep: 0,
    })
  })

  it('tells plainly when the link is early, over or used', async () => {
    server({
      [`GET ${AT}`]: () => {
        throw new Refusal(410, { code: 'expired', detail: 'This was open until 27 Nov.' })
      },
    })
    show(<CheckInPage token={TOKEN} />)
    expect((await screen.findByRole('alert')).textContent).toContain('open until 27 Nov')
  })
})

describe('what is tapped', () => {
  it('is no answer while one of the four is missing, and where is told only of pain', () => {
    expect(answerOf({ ...NOTHING, pain: 1, compared: 'SAME', moreTired: false })).toBeUndefined()
    const whole = {
      ...NOTHING,
      pain: 0,
      compared: 'SAME',
      moreTired: false,
      newSigns: [],
      places: ['knee'],
    } as const
    expect(answerOf({ ...whole, newSigns: [], places: ['knee'] })).toMatchObject({
      where: undefined,
      swelling: 'NONE',
    })
  })

  it('comes back whole from what was kept', () => {
    const t = tappedOf({
      pain: 5,
      compared: 'BETTER',
      moreTired: false,
      newSigns: ['SWELLING'],
      more: { where: 'neck', swelling: 'STAYS', soreness: 4 },
    })
    expect(answerOf(t)).toMatchObject({ where: 'neck', swelling: 'STAYS', soreness: 4 })
    expect(lines(t)).toContainEqual(['New', 'Swelling that stays'])
  })
})

const ASK: S['AskView'] = {
  id: 'k1',
  clientId: 'c1',
  client: 'Odile Varga',
  runId: 'r1',
  session: '2026-11-24',
  second: false,
  stands: 'LINK_OVER',
  opensOn: '2026-11-25',
  linkUntil: '2026-11-27',
  askUntil: '2026-12-01',
  emergency: false,
  mayBeError: false,
  did: [],
}

describe('asked by the professional', () => {
  it('wants how it was asked, keeps the answer, and shows what it did', async () => {
    const s = server({
      'GET /api/me': { name: 'Marit', emergencyNumber: '112' },
      'GET /api/check-ins/k1': ASK,
      'POST /api/check-ins/k1/answer': {
        ...ASK,
        stands: 'ANSWERED',
        sentence: 'Pain 4 of 10, worse than before the session. New: numbness.',
        toldBy: '28 Nov, 10:02, by phone, asked by Marit',
        did: ['Squat: stop and refer, it was stay before'],
      },
    })
    const { user } = show(
      <Routes>
        <Route path="ask/:checkInId" element={<AskPage />} />
      </Routes>,
      { at: '/ask/k1' },
    )
    expect(await screen.findByText(/you may ask until 1 Dec/)).toBeTruthy()
    expect(screen.queryByRole('radio', { name: 'pain 4' })).toBeNull()
    await user.click(screen.getByRole('radio', { name: 'by phone' }))
    await tapFour(user, '4', ['Numbness'])
    await user.click(screen.getByRole('button', { name: 'Look it over' }))
    await user.click(screen.getByRole('button', { name: 'Send' }))
    expect(await screen.findByText('Squat: stop and refer, it was stay before')).toBeTruthy()
    expect(s.sent('POST', '/api/check-ins/k1/answer')[0]?.body).toEqual({
      by: 'PHONE',
      answer: { pain: 4, compared: 'WORSE', moreTired: false, newSigns: ['NUMBNESS'] },
    })
    expect(screen.queryByRole('radio', { name: 'by phone' })).toBeNull()
    expect(s.unknown).toEqual([])
  })
})
