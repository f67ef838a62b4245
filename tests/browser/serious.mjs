// What is wrong for people who hear or tab through a page, as axe-core finds it.
import { readFileSync } from 'node:fs'
import { createRequire } from 'node:module'

const axe = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8')

/**
 * Serious and critical findings on the page as it stands, in words.
 * @param only rules by their names, where the others were asked already
 */
export async function seriousIn(page, only) {
  // Run in the page's own world: the policy lets no script element in.
  await page.evaluate(axe)
  const options = { resultTypes: ['violations'], ...(only && { runOnly: only }) }
  const found = await page.evaluate((asked) => globalThis.axe.run(document, asked), options)
  return found.violations
    .filter((v) => v.impact === 'serious' || v.impact === 'critical')
    .map((v) => `${v.id}: ${v.nodes.slice(0, 3).map((n) => n.html.slice(0, 160)).join(' | ')}`)
}
