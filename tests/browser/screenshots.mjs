// Takes the pictures in docs/screenshots from the demo data: node screenshots.mjs (after a build).
import { mkdirSync, writeFileSync } from 'node:fs'
import { dirname, join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { openStage, openTemplate, pick, row } from './stage.mjs'
import { playedElsewhere } from './workstation.mjs'

const folder = join(dirname(fileURLToPath(import.meta.url)), '..', '..', 'docs', 'screenshots')
mkdirSync(folder, { recursive: true })
const stage = await openStage()
const { page } = stage
const shoot = async (name) => {
  await page.waitForTimeout(250)
  await page.screenshot({ path: join(folder, `${name}.png`) })
}


await page.goto(stage.address)
await page.getByRole('heading', { name: 'Night Ferry', exact: true }).waitFor()
await shoot('library')

await page.getByRole('button', { name: 'From a cast list' }).click()
await page.getByRole('button', { name: 'Begin with this example' }).click()
await page.getByText('channels new').waitFor()
await page.waitForTimeout(500)
await shoot('cast-list')

await openTemplate(stage, 'Night Ferry')
await page.getByRole('link', { name: 'Call sheet' }).click()
await page.getByRole('heading', { name: /By hand/ }).waitFor()
await shoot('call-sheet')

await openTemplate(stage, 'Night Ferry')
await page.getByRole('button', { name: 'Render now' }).click()
await page.getByText(/ in \d+\.\d+ s/).waitFor({ timeout: 60_000 })
await row(page, 'Bass').click()
await page.getByRole('button', { name: 'Compressor keyed' }).click()
await shoot('running-order')

await page.getByRole('button', { name: 'Printed' }).click()
await shoot('running-order-printed')
await page.getByRole('button', { name: 'Lamplit' }).click()

await row(page, 'Tidewater Kit').click()

await page.getByRole('link', { name: 'Outputs' }).click()
await page.locator('button.piece').first().waitFor()
await page.getByRole('button', { name: /^Side drum brush/ }).click()
await page.locator('.output.heard').first().waitFor()
await shoot('outputs')
await page.getByRole('button', { name: 'New machine…' }).click()
await page.getByRole('textbox', { name: 'Pieces' }).fill('Kick in/out, Snare top/bottom, Tom 1–3, Hat, Ride, Crash L/R\nOverheads, Room far, Storm drum = 47')
await page.getByRole('spinbutton', { name: 'Jacks' }).fill('16')
await page.getByText('13 sources over').waitFor()
await shoot('own-machine')
await page.keyboard.press('Escape')
await page.getByRole('button', { name: 'Line check' }).click()
await page.getByRole('button', { name: 'Fire everything' }).click()
await page.getByText(/^Each of \d+ arrives/).waitFor({ timeout: 90_000 })
await shoot('line-check')
await page.keyboard.press('Escape')
await openTemplate(stage, 'Night Ferry')
await row(page, 'Deep drum').click()
await page.getByRole('link', { name: 'Strip' }).click()
await page.getByRole('slider', { name: 'First bell' }).focus()
await page.getByText(/LUFS$/).nth(1).waitFor()
await shoot('strip')
await page.getByRole('link', { name: 'Ducking' }).click()
await page.getByRole('figure').getByText('Bass, for Pulse trigger').waitFor()
await shoot('ducking')
await page.getByRole('link', { name: 'Sends' }).click()
await page.getByRole('gridcell', { name: /^Wood blocks to Open water/ }).click()
await page.keyboard.press('Shift+ArrowDown')
await page.getByRole('img', { name: /^What comes back/ }).waitFor()
await shoot('sends')
await page.getByRole('link', { name: 'Movement' }).click()
await page.getByRole('button', { name: /^Gullwing, Gain stage: gain, over Crossing/ }).click()
await page.getByRole('heading', { name: 'Gain stage: gain over Crossing' }).waitFor()
await shoot('movement')
await page.getByRole('link', { name: 'Shelf' }).click()
await page.getByLabel('Name of Quay box').waitFor()
await shoot('shelf')
await openTemplate(stage, 'Night Ferry')

await row(page, 'Side drum').click()
await row(page, 'Wood blocks').click({ modifiers: ['Shift'] })
await page.getByRole('searchbox', { name: 'Find a channel' }).fill('bell')
await row(page, 'Harbour lights').click()
await page.getByRole('searchbox', { name: 'Find a channel' }).fill('')
await row(page, 'Mix bus').click()

await page.getByText('Role, width, polarity, hue').click()
await page.getByRole('combobox', { name: 'Width of Mix bus' }).selectOption('mono')
await row(page, 'Clap').click()
await pick(page, 'Add a send', 'Drums')
await page.getByRole('button', { name: '2 findings' }).click()
await shoot('findings')
await page.keyboard.press('Escape')
await page.getByRole('button', { name: 'Start a song' }).click()
await page.keyboard.press('Escape')

await openTemplate(stage, 'Two Voices and a Reed Organ')
await page.getByRole('link', { name: 'Studio' }).click()
await page.getByRole('button', { name: 'Put Kitchen Table on' }).click()
await page.getByRole('button', { name: 'Record' }).click()
await page.getByText(/is enough for every input/).waitFor()
await shoot('studio')

await page.goto(`${stage.address}/songs`)
await page.getByRole('link', { name: 'Wreck of a Song' }).click()
await page.getByRole('link', { name: 'Strike to a template' }).click()
await page.getByRole('heading', { name: /^Takes that go/ }).waitFor()
await shoot('strike')
await page.getByRole('link', { name: 'Back to the song' }).click()
await page.getByRole('link', { name: 'Refit' }).click()
await pick(page, 'The template whose buses are the plan', 'Night Ferry')
await page.getByRole('button', { name: 'Render before and after' }).click()
await page.getByRole('columnheader', { name: 'LUFS' }).waitFor({ timeout: 60_000 })
await shoot('refit')

await page.goto(`${stage.address}/songs`)
await page.getByRole('link', { name: 'Cold Berth' }).click()
await page.getByRole('button', { name: 'Make and download it' }).waitFor()
await shoot('song')
const rehearsal = (await stage.get('/api/templates')).find((t) => t.name === 'First Rehearsal').id
const came = await playedElsewhere(stage, rehearsal, (c) => !['audio', 'trigger', 'main'].includes(c.kind), (channels) => {
  const [first, second, third, fourth] = channels.filter((c) => c.kind === 'split')
  ;[first.source.output, second.source.output] = [second.source.output, first.source.output]
  third.polarityFlipped = true
  fourth.level = (fourth.level ?? 0) + 4
})
await page.goto(`${stage.address}/templates/${rehearsal}/outside`)
await page.getByRole('region', { name: 'Channels to record' }).waitFor()
const recorded = [...came].map(([name, wave]) => {
  writeFileSync(join(stage.data, `${name}.wav`), wave)
  return join(stage.data, `${name}.wav`)
})
await page.getByLabel('Recordings of the test').setInputFiles(recorded)
await page.getByText('things are wrong').waitFor({ timeout: 120_000 })
await shoot('line-check-outside')

await stage.close()
