import { createContext, useContext } from 'react'

/** Told to a dialog by what is in it: what was typed is kept now, leaving loses nothing. */
export const Kept = createContext<() => void>(() => {})
export const useKept = () => useContext(Kept)
