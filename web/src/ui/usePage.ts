import { useSearchParams } from 'react-router'

/** The page an address says under this key, from 0, and the way to another; a reload and back keep it. */
export function usePage(key: string): [number, (page: number) => void] {
  const [search, setSearch] = useSearchParams()
  const said = Number(search.get(key))
  const go = (page: number) => {
    const next = new URLSearchParams(search)
    if (page > 0) next.set(key, `${page}`)
    else next.delete(key)
    setSearch(next, { preventScrollReset: true })
  }
  return [Number.isInteger(said) && said > 0 ? said : 0, go]
}
