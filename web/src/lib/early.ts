/** Answers asked for before the page that wants them is there; each is taken once. */
const begun = new Map<string, Promise<Response>>()

/** Asks now; whoever asks for the same next gets this answer. */
export function askEarly(...paths: string[]) {
  for (const path of paths) {
    const answer = fetch(path, { headers: { Accept: 'application/json' } })
    // a failure is for the one who asks for it
    answer.catch(() => {})
    begun.set(path, answer)
  }
}

/** The answer asked for early, or undefined where there is none. */
export function early(request: Request): Promise<Response> | undefined {
  const { pathname, search } = new URL(request.url)
  const answer = request.method === 'GET' ? begun.get(pathname + search) : undefined
  begun.delete(pathname + search)
  return answer
}
