import { openStage, row } from './stage.mjs'
const [,, theme = 'dark', w = '1280', h = '800'] = process.argv
const stage = await openStage({ width: +w, height: +h })
const page = stage.page
if (theme === 'light') await page.addInitScript(() => localStorage.setItem('home-stage-light', 'light'))
const answer = await page.request.post(`${stage.address}/api/templates`, { data: { name: 'Coal shed' } })
const id = (await answer.json()).id
const wish = { name: 'Coal box', list: 'Kick, Snare, Rim, Clap, Tom 1–3, Hat closed, Hat open, Crash, Ride, Shaker', jacks: 12, inPairs: false, firstInput: 1, firstReserved: false, sounds: [], allSounds: false, outputNames: [], monoSharesPairs: false, notesFrom: null, splitOver: null, under: null }
const machine = await (await page.request.post(`${stage.address}/api/documents/${id}/machines`, { data: wish })).json()
await page.request.post(`${stage.address}/api/documents/${id}/edits`, { data: { revision: 0, edits: machine.edits } })
await page.goto(`${stage.address}/templates/${id}`)
await row(page, 'Coal box').waitFor()
await page.getByRole('button', { name: 'Line check' }).click()
await page.getByRole('button', { name: 'Listen to the inputs' }).click()
const dialog = page.getByRole('dialog', { name: 'Listen to the inputs' })
await dialog.getByRole('button', { name: 'Rim', exact: true }).click()
await dialog.locator('tr.lit').waitFor()
await page.screenshot({ path: '/tmp/look-inputs.png' })
await page.keyboard.press('Escape'); await page.keyboard.press('Escape')
await row(page, 'Clap').click()
await page.getByRole('button', { name: 'Pads and keys' }).click()
await page.waitForTimeout(500)
await page.screenshot({ path: '/tmp/look-pads.png' })
await stage.close()
