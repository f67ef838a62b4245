import { openStage } from './stage.mjs'
const stage = await openStage(); const page = stage.page
const post = (path, body) => fetch(stage.address + path, { method: 'POST', headers: { 'content-type': 'application/json' }, body: JSON.stringify(body) }).then((r) => r.json())
const ferry = (await stage.get('/api/templates')).find((t) => t.name === 'Night Ferry')
const { id } = await post(`/api/templates/${ferry.id}/based`, { name: 'Winter ferry' })
await post(`/api/documents/${id}/edits`, { revision: 0, edits: [{ type: 'set-level', channel: 'bass', level: -9 }, { type: 'remove-channel', channel: 'narrator' }] })
const rev = (await stage.get(`/api/documents/${ferry.id}`)).head.revision
console.log(await post(`/api/documents/${ferry.id}/edits`, { revision: rev, edits: [{ type: 'set-level', channel: 'bass', level: -3 }, { type: 'set-level', channel: 'drums', level: -2 }, { type: 'set-level', channel: 'narrator', level: -2 }, { type: 'rename-channel', channel: 'drums', name: 'Skins' }] }).then(r=>r.head?.revision ?? r))
await page.goto(`${stage.address}/templates/${id}`)
let t=Date.now(); await page.getByRole('button', { name: /in Night Ferry/ }).waitFor()
await page.waitForTimeout(800)
await page.screenshot({ path: '/tmp/z1.png' })
await page.getByRole('button', { name: /in Night Ferry/ }).click(); await page.waitForTimeout(600)
await page.screenshot({ path: '/tmp/z2.png' })
console.log(await page.locator('.p-dialog').innerText())
await page.goto(stage.address); await page.waitForTimeout(900)
await page.screenshot({ path: '/tmp/z3.png' })
const s=Date.now(); await stage.get(`/api/documents/${id}/parent`); console.log('ms', Date.now()-s)
await stage.close()
