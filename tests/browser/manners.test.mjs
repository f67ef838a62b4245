// The keys go where the eye is, late answers go nowhere, and what is there is not overwritten.
import assert from 'node:assert/strict'
import { after, before, test } from 'node:test'
import { openStage, openTemplate, pick, row, settles, slowly, waveFile } from './stage.mjs'

let stage, page

before(async () => {
  stage = await openStage()
  page = stage.page
  await openTemplate(stage, 'Night Ferry')
})
after(() => stage.close())

const side = () => page.getByRole('complementary', { name: 'The selected channel' })
/** Whether all of it is in sight in the side panel. */
const seen = async (what) => {
  const [box, panel] = [await what.boundingBox(), await side().boundingBox()]
  return box !== null && box.y >= panel.y && box.y + box.height <= panel.y + panel.height
}
/** A row by its name, from the top: only what is in sight is drawn. */
const fromTop = async (name) => {
  await page.getByRole('treegrid').evaluate((grid) => (grid.scrollTop = 0))
  return row(page, name)
}
/** What a channel is stays unfolded from one channel to the next. */
const unfoldFacts = () => side().locator('details', { hasText: 'Role, width, polarity, hue' }).evaluate((facts) => (facts.open = true))
const open = () => page.url().split('/').pop()
const channels = async (id = open()) => (await stage.get(`/api/documents/${id}`)).channels.map((c) => c.channel)
const channel = async (id) => (await channels()).find((c) => c.id === id)
/** Adds what is named with the keys alone, and waits until the form has gone. */
async function addByKeys(kind, names) {
  await page.keyboard.press('n')
  const asked = page.getByRole('dialog', { name: 'Add a channel' })
  await asked.getByLabel('Kind').selectOption(kind)
  await asked.getByLabel('Name', { exact: true }).fill(names)
  await page.keyboard.press('Enter')
  await asked.waitFor({ state: 'detached' })
}
const chosen = () => page.locator('[role=row][aria-selected=true]').first().getAttribute('data-id')

test('a channel that was made is the chosen one, so that the next key is for it', async () => {
  await row(page, 'Voices').click()
  await page.keyboard.press('n')
  await page.getByLabel('Kind').selectOption('bus')
  await page.getByLabel('Name', { exact: true }).fill('Gulls & Terns')
  await page.getByRole('button', { name: 'Add it' }).click()
  await page.getByRole('dialog').waitFor({ state: 'detached' })
  await settles(chosen, 'gulls-terns')
  assert.equal((await channel('gulls-terns')).destination, (await channel('voices')).destination, 'a bus stands beside the chosen bus')

  await page.keyboard.press('Delete')

  await row(page, 'Gulls & Terns').waitFor({ state: 'detached' })
  assert.ok(await channel('voices'), 'the bus from before is still there')
})

test('what is new stands below the chosen row, several in their order', async () => {
  await (await fromTop('Gullwing')).click()
  await addByKeys('instrument', 'Trestle pad; Gravel pad')
  await settles(chosen, 'trestle-pad')

  const rows = (await stage.get(`/api/documents/${open()}`)).channels
  const at = rows.findIndex((r) => r.channel.name === 'Gullwing')
  assert.deepEqual(rows.slice(at + 1, at + 3).map((r) => [r.channel.name, r.depth]), [['Trestle pad', rows[at].depth], ['Gravel pad', rows[at].depth]])
  await page.keyboard.press('Control+z')
  await row(page, 'Trestle pad').waitFor({ state: 'detached' })
})

test('a trigger that was made is chosen and in sight, though it stands behind the curtain', async () => {
  await row(page, 'Voices').click()
  await addByKeys('trigger', 'Treadle')
  await settles(chosen, 'treadle')
  await page.keyboard.press('Delete')
  await row(page, 'Treadle').waitFor({ state: 'detached' })
  assert.equal(await channel('treadle'), undefined)
  await fromTop('Undertow')
})

test('after a choice by mouse the keys are the place’s again', async () => {
  await (await fromTop('Clap')).click()
  await unfoldFacts()
  const width = side().getByRole('combobox', { name: 'Width of Clap' })
  // As a press of the mouse begins; the list itself is the browser's.
  await width.dispatchEvent('pointerdown')
  await width.selectOption('mono')
  await settles(async () => (await channel('clap')).format, 'mono')

  await page.keyboard.press('Control+z')

  await settles(async () => (await channel('clap')).format, 'stereo')
  await side().getByText('flipped').click()
  await settles(async () => (await channel('clap')).polarityFlipped, true)
  await page.keyboard.press('m')
  await settles(async () => (await channel('clap')).muted, true)
  await page.keyboard.press('Control+z')
  await page.keyboard.press('Control+z')
  await settles(async () => (await channel('clap')).polarityFlipped, false)
})

test('after a button was pressed by mouse the keys are the place’s again; pressed by a key it keeps them', async () => {
  const clap = await fromTop('Clap')
  await clap.click()
  const mark = side().getByRole('button', { name: /^Clap in Record/ })
  await mark.click()
  await settles(() => page.evaluate(() => document.activeElement?.dataset.id), 'clap')
  await page.keyboard.press('m')
  await settles(async () => (await channel('clap')).muted, true)
  await clap.getByRole('button', { name: 'Muted Clap' }).click()
  await settles(async () => (await channel('clap')).muted, false)
  await page.keyboard.press('Enter')
  await page.getByRole('treegrid').getByRole('textbox').waitFor()
  await page.keyboard.press('Escape')

  await mark.focus()
  await page.keyboard.press('Space')
  await settles(async () => (await channel('clap')).stages.record, 'in-the-wings')
  assert.ok(await mark.evaluate((button) => button === document.activeElement))
  await mark.press('Enter')
  await settles(async () => (await channel('clap')).stages.record ?? 'on-stage', 'on-stage')
})

test('in a place without rows, too, the keys are the place’s after the mouse: Space plays and does not press again', async () => {
  await (await fromTop('Clap')).click()
  const plays = (name) => page.getByRole('button', { name, exact: true }).waitFor()
  const spaceIsThePlace = async () => {
    await page.keyboard.press('Space')
    await plays('Pause')
    await page.keyboard.press('Space')
    await plays('Play')
  }
  await page.getByRole('link', { name: 'Sends' }).click()
  const buses = page.getByRole('checkbox', { name: 'every bus' })
  await buses.click()
  await spaceIsThePlace()
  assert.ok(await buses.isChecked())
  await page.getByRole('link', { name: 'Strip' }).click()
  await pick(page, 'Channel', 'Wood blocks')
  await spaceIsThePlace()
  const chip = page.getByRole('option', { name: /^Equaliser/ })
  await chip.click()
  await spaceIsThePlace()

  // Pressed by a key it keeps them.
  await buses.waitFor({ state: 'detached' })
  await page.getByRole('link', { name: 'Sends' }).click()
  await buses.focus()
  await page.keyboard.press('Space')
  await settles(() => buses.isChecked(), true)
  await page.keyboard.press('Space')
  await settles(() => buses.isChecked(), false)
  await page.getByRole('button', { name: 'Play', exact: true }).waitFor()
  await page.getByRole('link', { name: 'Running order' }).click()
})

test('where the chosen row is not among those that are shown, a tick chooses no other', async () => {
  await (await fromTop('Clap')).click()
  await unfoldFacts()
  const find = page.getByRole('searchbox', { name: 'Find a channel' })
  await find.fill('Mix bus')
  await row(page, 'Clap').waitFor({ state: 'detached' })

  await side().getByText('flipped').click()

  await settles(async () => (await channel('clap')).polarityFlipped, true)
  await settles(() => page.evaluate(() => document.activeElement?.role), 'treegrid')
  await side().getByRole('heading', { name: 'Clap' }).waitFor()
  await find.fill('')
  await settles(chosen, 'clap')
  await side().getByText('flipped').click()
  await settles(async () => (await channel('clap')).polarityFlipped, false)
})

test('after a file was chosen the keys are the place’s again', async () => {
  const { name } = (await channels()).find((c) => c.kind === 'audio')
  await page.getByLabel('Find a channel').fill(name)
  await row(page, name).click()
  const button = side().getByRole('button', { name: 'Sound file' })
  const [chooser] = await Promise.all([page.waitForEvent('filechooser'), button.click()])
  await chooser.setFiles({ name: 'Sluice.wav', mimeType: 'audio/wav', buffer: waveFile(4800, 48000) })
  await side().getByText('Sluice', { exact: true }).waitFor()
  await page.keyboard.press('Control+z')
  await side().getByText('Sluice', { exact: true }).waitFor({ state: 'detached' })
  assert.equal(await page.evaluate(() => document.activeElement.getAttribute('role')), 'row')
  await page.getByLabel('Find a channel').fill('')
  await fromTop('Undertow')
})

test('a send that is given to several leaves the sends that exist as they are', async () => {
  const before = await channels()
  const [target, holder] = before.flatMap((c) => c.sends.map((s) => [s.to, c])).find(([, c]) => c.kind === 'split')
  const other = before.find((c) => c.kind === 'split' && !c.sends.some((s) => s.to === target))
  await (await fromTop(holder.name)).click()
  await row(page, other.name).click({ modifiers: ['Control'] })
  const name = before.find((c) => c.id === target).name

  await pick(page, 'Add a send to all', name)

  await page.getByText(`One sends to ${name} already and was left alone.`).waitFor()
  await settles(async () => (await channel(other.id)).sends.some((s) => s.to === target), true)
  assert.deepEqual((await channel(holder.id)).sends, holder.sends)
  await page.keyboard.press('Control+z')
})

test('a bus is duplicated with what stands under it, or alone', async () => {
  const under = (await channels()).filter((c) => c.destination === 'voices').length
  const count = (await channels()).length
  await row(page, 'Voices').click()
  await page.keyboard.press('d')
  await row(page, 'Voices 2').waitFor()
  assert.equal((await channels()).filter((c) => c.destination === 'voices-2').length, under)
  await page.keyboard.press('Control+z')
  await row(page, 'Voices 2').waitFor({ state: 'detached' })

  await row(page, 'Voices').click()
  await page.keyboard.press('Shift+D')
  await row(page, 'Voices 2').waitFor()
  assert.equal((await channels()).length, count + 1)
  await page.keyboard.press('Control+z')
  await row(page, 'Voices 2').waitFor({ state: 'detached' })
})

test('a section that is renewed in name keeps what plays in it', async () => {
  await page.getByRole('button', { name: /^92 BPM/ }).click()
  await page.getByLabel('Name of section 2').fill('Strophe')
  await page.getByRole('button', { name: 'Keep it' }).click()
  await page.getByRole('dialog').waitFor({ state: 'detached' })
  await (await fromTop('Undertow')).click()

  await side().getByText('notes · Strophe').first().waitFor()
  assert.ok((await channel('undertow')).patterns.some((p) => p.sections.includes('verse')))
  assert.ok(await page.getByLabel('Over').locator('option', { hasText: 'Strophe' }).count())
})

test('an edit and an opening that are answered late never show one document as another', async () => {
  const ferry = open()
  const [first] = (await stage.get('/api/templates')).filter((t) => t.id !== ferry)
  const late = (route) => setTimeout(() => void route.continue(), 700)
  await page.route(`**/api/documents/${ferry}/edits`, late)
  await (await fromTop('Clap')).click()
  await page.keyboard.press('m')
  await page.getByRole('link', { name: 'Library' }).click()
  await page.getByRole('link', { name: first.name, exact: true }).click()
  await page.getByRole('heading', { name: first.name, level: 1 }).waitFor()
  await settles(async () => (await channels(ferry)).find((c) => c.id === 'clap').muted, true)
  await page.waitForTimeout(200)
  assert.ok(await page.getByRole('heading', { name: first.name, level: 1 }).isVisible())

  // The one that is asked for first answers last.
  await page.unroute(`**/api/documents/${ferry}/edits`)
  await page.route(`**/api/documents/${ferry}`, late)
  await page.goto(stage.address)
  await page.getByRole('link', { name: 'Night Ferry', exact: true }).click()
  await page.getByRole('link', { name: 'Library' }).click()
  await page.getByRole('link', { name: first.name, exact: true }).click()
  await page.waitForTimeout(1100)
  assert.ok(await page.getByRole('heading', { name: first.name, level: 1 }).isVisible())
  const asked = []
  page.on('request', (request) => request.url().includes(`/${ferry}`) && asked.push(request.url()))
  await page.waitForTimeout(2500)
  assert.deepEqual(asked, [], 'what was left is asked for no more')
})

test('the template that opens by default opens when somebody comes in, and the library is a press away', async () => {
  const tab = await (await stage.context.browser().newContext()).newPage()
  const first = (await stage.get('/api/templates')).find((t) => t.opensByDefault)
  await tab.goto(stage.address)
  await tab.getByRole('heading', { name: first.name, level: 1 }).waitFor()
  await tab.getByRole('link', { name: 'Library' }).click()
  await tab.getByRole('article', { name: first.name }).waitFor()
  await tab.reload()
  await tab.getByRole('article', { name: first.name }).waitFor()
  await tab.context().close()
})

test('it comes back as it was left: place, choice, folds, act, listening point, stretch, loop and pads', async () => {
  const visitor = await stage.context.browser().newContext()
  let tab = await visitor.newPage()
  const first = (await stage.get('/api/templates')).find((t) => t.opensByDefault)
  await tab.goto(stage.address)
  await tab.getByRole('heading', { name: first.name, level: 1 }).waitFor()
  const selected = () => tab.getByRole('complementary').getByRole('heading', { level: 2 }).first()
  await row(tab, 'Breakwater Kit').click()
  await tab.getByRole('radio', { name: 'Record' }).click()
  await tab.getByRole('button', { name: 'Pads and keys' }).click()
  await tab.getByLabel('Over').selectOption('Chorus')
  await tab.getByRole('button', { name: 'Loop' }).click()
  await row(tab, 'Breakwater Kit').press('l')
  const said = await selected().textContent()
  await tab.waitForTimeout(900)
  await tab.close()

  tab = await visitor.newPage()
  await tab.goto(stage.address)
  await tab.getByRole('heading', { name: first.name, level: 1 }).waitFor()
  await settles(() => selected().textContent().catch(() => ''), said)
  // The chosen channel stands where the prompt note would: it is told beside.
  await tab.locator('.p-toast').getByText(first.note.slice(0, 40)).waitFor()
  assert.equal(await tab.getByRole('radio', { name: 'Record' }).getAttribute('aria-checked'), 'true')
  assert.equal(await tab.getByRole('button', { name: 'Loop' }).getAttribute('aria-pressed'), 'false')
  assert.equal(await tab.getByLabel('Over').evaluate((s) => s.selectedOptions[0].textContent), 'Chorus')
  assert.ok(await tab.getByRole('region', { name: 'Pads and keys' }).isVisible())
  assert.match(await tab.locator('footer').textContent(), /Listening to.*Breakwater Kit/s)
  await tab.getByRole('link', { name: 'Sends' }).click()
  await tab.waitForTimeout(900)
  await tab.close()

  tab = await visitor.newPage()
  await tab.goto(stage.address)
  await tab.waitForURL(`**/templates/${first.id}/sends`)
  await visitor.close()
})

test('nothing went wrong in the console', () => {
  assert.deepEqual(stage.strangers, [])
  assert.deepEqual(stage.troubles, [])
})

test('a choice that is refused goes back, and is said where its row is not in sight', async () => {
  await openTemplate(stage, 'Night Ferry')
  await row(page, 'Mix bus').click()
  await page.getByLabel('Show only').selectOption('kind:return')
  await pick(page, 'Mix bus feeds', 'Voices')
  await page.getByText('Mix bus: nothing was changed').waitFor()
  await page.getByText('This would feed a channel back into itself: Mix bus → Voices → Mix bus.').waitFor()
  await page.getByLabel('Show only').selectOption('')
  await row(page, 'Mix bus').click()
  await pick(page, 'Mix bus feeds', 'Drums')
  await row(page, 'Mix bus').and(page.locator('[aria-selected=true]')).waitFor()
  await page.getByText('This would feed a channel back into itself:', { exact: true }).waitFor()
  assert.equal(await page.getByRole('combobox', { name: 'Mix bus feeds' }).textContent(), 'Main')
  await page.getByRole('alert').getByRole('button', { name: 'Close' }).first().click()
})

test('a list is found through by name, and the keys are the place’s again after a choice', async () => {
  await row(page, 'Undertow').click()
  await page.getByRole('combobox', { name: 'Add a processor' }).click()
  // The list is there once its field has the keys.
  await page.locator('.p-select-filter:focus').waitFor()
  await page.keyboard.type('satur')
  await page.keyboard.press('ArrowDown')
  await page.keyboard.press('Enter')
  await page.getByRole('button', { name: /^Saturat/ }).waitFor()
  assert.match(await page.getByRole('combobox', { name: 'Add a processor' }).textContent(), /^Add/)
  await page.keyboard.press('Control+z')
  await page.getByRole('button', { name: /^Saturat/ }).waitFor({ state: 'detached' })
})

test('a list that is open stays at its field when an answer moves it', async () => {
  await row(page, 'Undertow').click()
  const field = page.getByRole('combobox', { name: 'Add a processor' })
  await field.click()
  await page.locator('.p-select-filter:focus').waitFor()
  // Below it or above it, wherever there is room.
  const isBeside = async () => {
    const [list, at] = [await page.locator('.p-select-overlay').boundingBox(), await field.boundingBox()]
    return Math.min(Math.abs(list.y - at.y - at.height), Math.abs(list.y + list.height - at.y)) < 6
  }
  assert.ok(await isBeside())
  const [was, moved] = await page.locator('.side').evaluate((side) => [side.scrollTop, (side.scrollTop += side.scrollTop > 40 ? -24 : 24)])
  assert.notEqual(was, moved)
  await settles(isBeside, true)
  await page.getByRole('option', { name: 'Saturator', exact: true }).click()
  await page.getByRole('button', { name: /^Saturat/ }).waitFor()
  await page.keyboard.press('Control+z')
  await page.getByRole('button', { name: /^Saturat/ }).waitFor({ state: 'detached' })
})

test('what is wrong with a value stays at its field, and goes out of sight with it', async () => {
  await row(page, 'Undertow').click()
  await side().getByRole('button', { name: /^Compressor/ }).first().click()
  const field = side().getByRole('spinbutton', { name: /^Ratio of/ })
  await field.fill('plenty')
  await page.keyboard.press('Enter')
  const said = page.getByRole('alert').filter({ hasText: '“plenty”' })
  await said.waitFor()
  const gap = async () => Math.round((await said.boundingBox()).y - (await field.boundingBox()).y)
  const before = await gap()
  assert.ok(before > 0 && before < 40, `${before} px under it`)
  await side().evaluate((panel) => (panel.scrollTop += panel.scrollTop > 60 ? -37 : 37))
  await settles(gap, before)
  await side().evaluate((panel) => (panel.scrollTop = panel.scrollTop > 400 ? 0 : panel.scrollHeight))
  await said.waitFor({ state: 'hidden' })
  await side().getByRole('button', { name: /^Compressor/ }).first().click()
})

test('the strip of a kit is in sight at once, and several channels are told of from the top', async () => {
  await (await fromTop('Tidewater Kit')).click()
  await side().evaluate((panel) => (panel.scrollTop = 0))
  assert.ok(await seen(side().getByRole('button', { name: 'Make it a default…' })), 'the whole strip is in sight')
  await side().evaluate((panel) => (panel.scrollTop = panel.scrollHeight))
  await page.keyboard.press('Shift+ArrowDown')
  const heading = side().getByRole('heading', { name: '2 channels' })
  await heading.waitFor()
  assert.ok(await seen(heading))
  await page.keyboard.press('Escape')
})

test('what was put into a strip is in sight, and what is looked at stays there while it is worked on', async () => {
  await row(page, 'Bass').first().click()
  await pick(side(), 'Add a processor', 'Ducker by notes')
  const ends = side().getByRole('button', { name: 'Take it out' })
  await ends.waitFor()
  await settles(() => seen(ends), true)
  const where = await side().evaluate((panel) => panel.scrollTop)
  assert.ok(where > 0, 'it would lie below what is in sight')

  await side().getByRole('checkbox', { name: /^Every/ }).uncheck()

  await settles(() => side().getByLabel('Restarted every').count(), 0)
  assert.equal(await side().evaluate((panel) => panel.scrollTop), where)
  await page.keyboard.press('Control+z')
  await page.keyboard.press('Control+z')
  await ends.waitFor({ state: 'detached' })
})

test('a voice is proposed among the voices, wherever the eye is, until somebody says otherwise', async () => {
  await (await fromTop('Tidewater Kit')).click()
  await page.keyboard.press('n')
  const asked = page.getByRole('dialog', { name: 'Add a channel' })
  const under = () => asked.getByRole('combobox', { name: 'Under, feeding' }).textContent()
  await asked.getByLabel('Kind').selectOption('audio')
  await settles(under, 'Drums')
  await asked.getByLabel('Name').fill('Sorrel alto voice')
  await settles(under, 'Voices')
  await pick(asked, 'Under, feeding', 'Instruments')
  await asked.getByLabel('Name').fill('Sorrel alto voice; Fenn tenor voice')
  await page.keyboard.press('Enter')
  await asked.waitFor({ state: 'hidden' })
  const made = (await channels()).filter((c) => /^(Sorrel|Fenn)/.test(c.name))
  assert.deepEqual(made.map((c) => c.destination), ['instruments', 'instruments'])
  await page.keyboard.press('Control+z')
  await row(page, 'Sorrel alto voice').waitFor({ state: 'detached' })
})

test('a press on the foot of a form counts though the form grows under it, and is taken back by sliding off', async () => {
  await (await fromTop('Bass')).first().click()
  await page.keyboard.press('n')
  const asked = page.getByRole('dialog', { name: 'Add a channel' })
  await asked.getByLabel('Kind').selectOption('instrument')
  await asked.getByLabel('Name', { exact: true }).fill('Steadfast')
  await asked.getByText(/^plays /).waitFor()
  const foot = asked.getByRole('button', { name: 'Add it' })
  const box = await foot.boundingBox()
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2]

  await page.mouse.move(x, y)
  await page.mouse.down()
  await page.mouse.move(box.x - 150, y, { steps: 5 })
  await page.mouse.up()
  assert.ok(await asked.isVisible())

  await page.mouse.move(x, y)
  await page.mouse.down()
  await asked.locator('form').evaluate((form) => (form.style.paddingTop = '90px'))
  assert.ok((await foot.boundingBox()).y > y, 'it is not under the pointer any more')
  await page.mouse.up()

  await asked.waitFor({ state: 'detached' })
  await row(page, 'Steadfast').waitFor()
  await page.keyboard.press('Control+z')
  await row(page, 'Steadfast').waitFor({ state: 'detached' })
})

test('what a channel comes with is told where nothing moves for it', async () => {
  await (await fromTop('Instruments')).first().click()
  const top = async () => (await page.getByRole('button', { name: 'Add it' }).boundingBox()).y
  const asked = page.getByRole('dialog', { name: 'Add a channel' })
  let answer
  const asking = new Promise((resolve) => (answer = resolve))
  await page.route('**/comes-with*', (route) => asking.then(() => route.continue()))
  await page.keyboard.press('n')
  await asked.waitFor()
  await asked.getByLabel('Kind').selectOption('instrument')
  await asked.getByLabel('Name', { exact: true }).fill('Lantern keys')
  await asked.evaluate((dialog) => Promise.all(dialog.getAnimations({ subtree: true }).map((a) => a.finished)))
  const before = await top()
  answer()
  await asked.getByText(/^sends to/).waitFor()
  await page.unrouteAll({ behavior: 'wait' })
  assert.equal(await top(), before)
  await asked.getByRole('button', { name: 'Not now' }).click()
  await asked.waitFor({ state: 'detached' })
})

test('the foot of a long form is in sight', async () => {
  await page.getByRole('link', { name: 'Ducking' }).click()
  await page.getByRole('button', { name: 'Make room…' }).click()
  const form = page.getByRole('dialog', { name: 'Make room' })
  await form.getByRole('combobox', { name: 'For', exact: true }).selectOption({ label: 'a new trigger that nobody hears' })
  await form.getByRole('combobox', { name: 'It strikes with' }).selectOption({ label: 'Tidewater Kit' })
  await form.getByText('These pieces alone').waitFor()
  const [foot, frame] = [await form.getByRole('button', { name: 'Make room' }).boundingBox(), await form.boundingBox()]
  assert.ok(foot.y + foot.height <= frame.y + frame.height && foot.y + foot.height <= 800, JSON.stringify([foot, frame]))
  await form.getByRole('button', { name: 'Not now' }).click()
  await page.getByRole('link', { name: 'Running order' }).click()
})

test('the acts are one stop for the keys, and the arrows go round them', async () => {
  const on = () => page.evaluate(() => document.activeElement?.textContent?.trim())
  await page.getByRole('radio', { name: 'Write' }).click()
  await page.getByRole('radio', { name: 'Write' }).focus()
  await page.keyboard.press('ArrowRight')
  await settles(on, 'Record')
  assert.equal(await page.getByRole('radio', { name: 'Record' }).getAttribute('aria-checked'), 'true')
  await page.keyboard.press('ArrowLeft')
  await page.keyboard.press('ArrowLeft')
  await settles(on, 'Buses')
  await page.keyboard.press('ArrowRight')
  await settles(on, 'Write')
})

test('a mend that is pressed in the soundcheck leaves the keys there, so that Escape closes it and no row hears it', async () => {
  const { id } = await (await page.request.post(`${stage.address}/api/templates`, { data: { name: 'Loose ends' } })).json()
  await stage.post(`/api/documents/${id}/edits`, { revision: 0, edits: [{ type: 'make-channel', wish: { kind: 'instrument', name: 'Tin reed' } }] })
  await page.goto(`${stage.address}/templates/${id}`)
  await row(page, 'Tin reed').click()
  await page.getByRole('button', { name: /findings?$/ }).click()
  const found = page.getByRole('dialog', { name: 'What the soundcheck found' })
  await found.getByRole('button', { name: 'Put a limiter on Main' }).click()
  await found.getByRole('button', { name: 'Do it' }).click()
  await found.getByText(/no limiter/).waitFor({ state: 'detached' })
  assert.ok(await page.evaluate(() => !document.activeElement.closest('[role=treegrid]')))
  await page.keyboard.press('Escape')
  await found.waitFor({ state: 'detached' })
  assert.ok((await channels(id)).some((c) => c.name === 'Tin reed'))
})

test('once the last one under a bus has gone the one before it is chosen, then the bus, and not the next one', async () => {
  const { id } = await (await page.request.post(`${stage.address}/api/templates`, { data: { name: 'Sawmill' } })).json()
  const made = (kind, name, under) => ({ type: 'make-channel', wish: { kind, name, under } })
  await stage.post(`/api/documents/${id}/edits`, { revision: 0, edits: [made('bus', 'Shed', 'mix-bus'), made('audio', 'Ash', 'shed'), made('audio', 'Beech', 'shed'), made('bus', 'Barn', 'mix-bus')] })
  await page.goto(`${stage.address}/templates/${id}`)
  await row(page, 'Beech').click()
  await page.keyboard.press('Delete')
  await settles(chosen, 'ash')
  await page.keyboard.press('Delete')
  await settles(chosen, 'shed')
  assert.deepEqual((await channels(id)).map((c) => c.name).slice(-2), ['Shed', 'Barn'])
})

test('quick presses go on from each other, though no answer has come in between', async () => {
  const { id } = await (await page.request.post(`${stage.address}/api/templates`, { data: { name: 'Treadmill' } })).json()
  await stage.post(`/api/documents/${id}/edits`, { revision: 0, edits: [{ type: 'make-channel', wish: { kind: 'instrument', name: 'Flail' } }, { type: 'make-insert', channel: 'flail', processor: 'chorus', device: null, place: null }] })
  await page.goto(`${stage.address}/templates/${id}`)
  await row(page, 'Flail').click()
  await side().getByRole('button', { name: /^Chorus/ }).click()
  const live = side().getByText('Live in').locator('..')
  const revision = async () => (await stage.get(`/api/documents/${id}`)).head.revision
  const before = await revision()
  await slowly(page, '**/edits', async () => {
    await row(page, 'Flail').press('m')
    await row(page, 'Flail').press('m')
    await side().getByRole('button', { name: /^Flail in Record/ }).dblclick()
    await live.getByLabel('Record').click({ force: true })
    await live.getByLabel('Mix').click({ force: true })
    await settles(revision, before + 6)
  })
  const flail = (await channels(id)).find((c) => c.id === 'flail')
  assert.equal(flail.muted, false)
  assert.equal(flail.stages.record, 'in-the-wings')
  assert.deepEqual(flail.inserts.find((i) => i.processor === 'chorus').parkedIn.toSorted(), ['mix', 'record'])
})
