import { useMutation, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { http, told, type S } from '../../lib/api'
import * as q from '../../lib/queries'

/** What a slot was before it was changed by hand, so that it can be put back. */
export type Before = { kind: 'choice'; key: string; was?: S['Choose'] } | { kind: 'weight'; key: string }

/** How a slot stood: a choice of one's own as it was, or what Riposo found. */
export function before(slot: S['SlotView']): Before {
  const at = slot.parts[0]
  return {
    kind: 'choice',
    key: slot.key,
    was: slot.pinned && at?.movementId ? { movementId: at.movementId, modifiers: at.modifiers } : undefined,
  }
}

/** Choices made by hand on the desk, and the way back: the last one first. */
export function useChoices(clientId: string, planId: string) {
  const [taken, setTaken] = useState<Before[]>([])
  const desk = q.desk(clientId, planId)
  const cache = useQueryClient()
  const shown = (v: S['AdaptedView']) => {
    cache.setQueryData(desk.adapted().queryKey, v)
    void cache.invalidateQueries({ queryKey: desk.stairs })
    void cache.invalidateQueries({ queryKey: desk.needs().queryKey })
  }
  const at = (key: string) => ({ params: { path: { clientId, planId, key } } })
  const put = (key: string, body: S['Choose']) =>
    told(http.PUT('/api/clients/{clientId}/adapted/{planId}/slots/{key}/choice', { ...at(key), body }))
  const drop = (key: string) =>
    told(http.DELETE('/api/clients/{clientId}/adapted/{planId}/slots/{key}/choice', at(key)))
  const unweigh = (key: string) =>
    told(http.DELETE('/api/clients/{clientId}/adapted/{planId}/slots/{key}/weight', at(key)))
  const choose = useMutation({
    mutationFn: ({ slot, choice }: { slot: S['SlotView']; choice: S['Choose'] }) => put(slot.key, choice),
    onSuccess: (v, { slot }) => {
      setTaken((t) => [...t, before(slot)])
      shown(v)
    },
  })
  /** More weight today: an option above what is asked. */
  const heavier = useMutation({
    mutationFn: ({ slot, grams }: { slot: S['SlotView']; grams: number }) =>
      told(
        http.PUT('/api/clients/{clientId}/adapted/{planId}/slots/{key}/weight', {
          ...at(slot.key),
          body: { grams, today: true },
        }),
      ),
    onSuccess: (v, { slot }) => {
      if (!slot.weight?.set) setTaken((t) => [...t, { kind: 'weight', key: slot.key }])
      shown(v)
    },
  })
  /** Back to what Riposo finds. */
  const release = useMutation({
    mutationFn: ({ slot, what }: { slot: S['SlotView']; what: Before['kind'] }) =>
      what === 'choice' ? drop(slot.key) : unweigh(slot.key),
    onSuccess: (v, { slot, what }) => {
      if (what === 'choice') setTaken((t) => [...t, before(slot)])
      shown(v)
    },
  })
  const undo = useMutation({
    mutationFn: (b: Before) =>
      b.kind === 'weight' ? unweigh(b.key) : b.was ? put(b.key, b.was) : drop(b.key),
    onSuccess: (v, b) => {
      setTaken((t) => t.filter((x) => x !== b))
      shown(v)
    },
  })
  const last = taken[taken.length - 1]
  return {
    choose,
    heavier,
    release,
    undo,
    last,
    /** A weight was set where none was before. */
    weighed: (key: string) => setTaken((t) => [...t, { kind: 'weight', key }]),
    /** Puts the last change back; with none nothing happens. */
    back: () => {
      if (last && !undo.isPending) undo.mutate(last)
    },
    busy: choose.isPending || heavier.isPending || release.isPending || undo.isPending,
  }
}

export type Choices = ReturnType<typeof useChoices>
