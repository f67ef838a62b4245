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
