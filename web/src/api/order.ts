import type { Middleware } from 'openapi-fetch'

/** What changes a document, or takes over what has changed in it; sent in turn, so that it waits for nothing. */
const inTurn = /^\/api\/documents\/\{id\}(\/(edits|undo|redo|return|changes))?$/
const aboutADocument = /^\/api\/(documents\/\{id\}\/|shelf)/

let sending: Promise<unknown> = Promise.resolve()

/** One after the other, so that each is made on the revision that the one before it gave. */
export function queue<T>(work: () => Promise<T>): Promise<T> {
  const done = sending.then(work)
  sending = done.catch(() => undefined)
  return done
}

/**
 * What is worked out from a document on request waits for the edits that are on their way, so that the answer is about what a person sees.
 * What is only read is read again after each edit anyway.
 */
export const afterEdits: Middleware = {
  async onRequest({ schemaPath, request }) {
    if (request.method !== 'GET' && aboutADocument.test(schemaPath) && !inTurn.test(schemaPath)) await sending
  },
}

/** Reads of documents that are not answered yet, by the key of the request. */
const reads = new Map<string, { of: unknown; done: PromiseWithResolvers<void> }>()

/** A document is removed after what is being read of it, which would find nothing any more. */
export const afterReads: Middleware = {
  async onRequest({ id, schemaPath, request, params }) {
    const of = params.path?.id
    if (request.method === 'GET' && of) reads.set(id, { of, done: Promise.withResolvers() })
    if (request.method !== 'DELETE' || schemaPath !== '/api/documents/{id}') return
    await Promise.all([...reads.values()].filter((r) => r.of === of).map((r) => r.done.promise))
  },
  onResponse: ({ id }) => answered(id),
  onError: ({ id }) => answered(id),
}

function answered(id: string) {
  reads.get(id)?.done.resolve()
  reads.delete(id)
}
