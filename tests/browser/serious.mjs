// What is wrong for people who hear or tab through a page, as axe-core finds it.
import { readFileSync } from 'node:fs'
import { createRequire } from 'node:module'

const axe = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8')

/** Serious and critical findings on the page as it stands, in words. */
export async function seriousIn(page) {
  // Run in the page's own world: the policy lets no script element in.
  await page.evaluate(axe)
  const found = await page.evaluate(() => globalThis.axe.run(document, { resultTypes: ['violations'] }))
  return found.violations
    .filter((v) => v.impact === 'serious' || v.impact === 'critical')
    .map((v) => `${v.id}: ${v.nodes.slice(0, 3).map((n) => n.html.slice(0, 160)).join(' | ')}`)
}
