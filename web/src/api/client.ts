import createClient from 'openapi-fetch'
import { afterEdits, afterReads } from './order'
import type { paths } from './schema'
import type { Mended } from './types'

export const api = createClient<paths>({ baseUrl: '' })
api.use(afterEdits, afterReads)

/** What the server said when it would not: a code for programs, a sentence for people, names along the way. */
export class Refusal extends Error {
  constructor(
    readonly code: string,
    sentence: string,
    readonly path: string[] = [],
    /** What would do what was meant; none where nothing is known. */
    readonly mended?: Mended,
  ) {
    super(sentence)
  }
}

interface Answer<T> {
  data?: T
  error?: unknown
  response: Response
}

/** The data of an answer, or a {@link Refusal}. */
export async function asked<T>(call: Promise<Answer<T>>): Promise<T> {
  const { data, error, response } = await call.catch(() => {
    throw new Refusal('unreachable', 'The server does not answer. Is it still running?')
  })
  if (response.ok) return data as T
  throw refusalOf(error)
}

/** Sends a file as it is, or several as a form, and takes the answer as JSON. */
export async function upload<T>(path: string, body: Blob | FormData, type = 'application/octet-stream'): Promise<T> {
  // What parts a form is said by the browser.
  const headers = body instanceof FormData ? undefined : { 'content-type': type }
  const response = await fetch(path, { method: 'POST', body, headers }).catch(() => {
    throw new Refusal('unreachable', 'The server does not answer. Is it still running?')
  })
  const answer: unknown = await response.json().catch(() => undefined)
  if (response.ok) return answer as T
  throw refusalOf(answer)
}

export function sentenceOf(error: unknown): string {
  return error instanceof Error ? error.message : 'Something went wrong.'
}

export function refusalOf(problem: unknown): Refusal {
  const {
    code = 'unknown',
    detail = 'The server refused without a reason.',
    path = [],
    mended,
  } = (problem ?? {}) as {
    code?: string
    detail?: string
    path?: string[]
    mended?: Mended
  }
  return new Refusal(code, detail, path, mended)
}
