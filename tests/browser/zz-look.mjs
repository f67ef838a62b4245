import { openStage, openTemplate, row } from './stage.mjs'
const stage = await openStage()
const { page } = stage
await openTemplate(stage, 'First Rehearsal')
await row(page, 'Breakwater Kit').first().click()
await page.locator('input[aria-label^="A kit: a table"]').setInputFiles('/tmp/kit/shed.zip')
await page.getByText('This cannot be put in').scrollIntoViewIfNeeded()
await page.screenshot({ path: '/tmp/a1.png' })
await page.getByRole('button', { name: /Put in the other/ }).click()
await page.waitForTimeout(800)
await page.screenshot({ path: '/tmp/a2.png' })
await stage.close?.()
process.exit(0)
