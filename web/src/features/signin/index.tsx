import { useMutation, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { ApiError, http, told } from '../../lib/api'
import * as q from '../../lib/queries'
import { Button } from '../../ui/Button'
import { Failure } from '../../ui/Failure'
import { Field } from '../../ui/Field'

export function SignInPage() {
  const [email, setEmail] = useState('')
  const [password, setPassword] = useState('')
  const cache = useQueryClient()
  const signIn = useMutation({
    mutationFn: () => told(http.POST('/api/sign-in', { body: { email, password } })),
    onSuccess: (me) => cache.setQueryData(q.studio.me().queryKey, me),
  })
  const error = signIn.error instanceof ApiError ? signIn.error : undefined
  return (
    <main className="mx-auto max-w-md px-4 py-16">
      <h1 className="mb-1 flex items-center gap-3 text-3xl font-bold text-teal">
        <img src="/mark.svg" alt="" width="36" height="36" /> Riposo
      </h1>
      <p className="mb-8 text-soft">
        Strength sessions, adapted with reasons. A clinician’s word outranks every default here.
      </p>
      <form
        onSubmit={(e) => {
          e.preventDefault()
          signIn.mutate()
        }}
      >
        <Field label="E-mail" error={error?.field('/email')}>
          {(p) => (
            <input
              {...p}
              type="email"
              autoComplete="username"
              autoFocus
              value={email}
              onChange={(e) => setEmail(e.target.value)}
            />
          )}
        </Field>
        <Field label="Password" error={error?.field('/password')}>
          {(p) => (
            <input
              {...p}
              type="password"
              autoComplete="current-password"
              value={password}
              onChange={(e) => setPassword(e.target.value)}
            />
          )}
        </Field>
        <Failure error={signIn.error} />
        <Button main type="submit" disabled={signIn.isPending} className="w-full">
          {signIn.isPending ? 'Signing in …' : 'Sign in'}
        </Button>
      </form>
    </main>
  )
}
