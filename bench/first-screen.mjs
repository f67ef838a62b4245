// From a cold browser to the first screen: the running order of Night Ferry, its rows drawn. Run it after ./start has built.
import { openStage } from '../tests/browser/stage.mjs'

const runs = 7
const times = []
const sizes = []
for (let run = 0; run < runs; run++) {
  const stage = await openStage()
  const templates = await stage.get('/api/templates')
  const ferry = templates.find((template) => template.name === 'Night Ferry')
  const started = performance.now()
  await stage.page.goto(`${stage.address}/templates/${ferry.id}`, { waitUntil: 'commit' })
  await stage.page.getByRole('row', { name: /Mix bus/ }).waitFor()
  times.push(performance.now() - started)
  sizes.push(await stage.page.evaluate(() => performance.getEntriesByType('resource').filter((r) => r.name.endsWith('.js')).reduce((sum, r) => sum + r.transferSize, 0)))
  await stage.close()
}
times.sort((a, b) => a - b)
console.log(`first screen from a cold browser: ${Math.round(times[runs >> 1])} ms (${Math.round(times[0])} to ${Math.round(times.at(-1))}), ${Math.round(sizes[0] / 1000)} kB of scripts over the wire`)
