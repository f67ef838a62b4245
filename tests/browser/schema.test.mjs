// Every document that we write keeps to the JSON Schema that we publish, as a JSON Schema library reads it.
import assert from 'node:assert/strict'
import { execFileSync } from 'node:child_process'
import { readdirSync, readFileSync } from 'node:fs'
import { dirname, join } from 'node:path'
import { after, before, test } from 'node:test'
import { fileURLToPath } from 'node:url'
import Ajv from 'ajv/dist/2020.js'
import { openStage } from './stage.mjs'

const formats = join(dirname(fileURLToPath(import.meta.url)), '..', 'HomeStage.Formats.Tests')
const built = join(formats, 'bin', 'Release', 'net10.0')
let stage, validate
before(async () => {
  stage = await openStage()
  const schema = await stage.get('/api/template-document.schema.json')
  validate = new Ajv({ strict: true, allowUnionTypes: true, allErrors: true }).compile(schema)
})
after(() => stage.close())

function keeps(document, what) {
  assert.ok(validate(document), `${what}: ${validate.errors?.slice(0, 3).map((e) => `${e.instancePath} ${e.message}`)}`)
}

test('the templates and songs of the demo', async () => {
  const all = [...(await stage.get('/api/templates')), ...(await stage.get('/api/songs'))]
  assert.ok(all.length > 8)
  for (const { id } of all) keeps(await stage.get(`/api/documents/${id}/document`), id)
})

test('documents by chance, which hold all that a template can hold', () => {
  execFileSync('dotnet', [join(built, 'HomeStage.Formats.Tests.dll'), '--progress', 'off', '--filter-class', '*DocumentSchemaTests'])
  const folder = join(built, 'random-documents')
  const files = readdirSync(folder)
  assert.equal(files.length, 60)
  for (const file of files) keeps(JSON.parse(readFileSync(join(folder, file), 'utf8')), file)
})

test('documents of every older schema, once they are renewed; a newer one is refused with a sentence', async () => {
  const folder = join(formats, 'Documents', 'Stored')
  const old = readdirSync(folder, { recursive: true }).filter((f) => f.endsWith('.json')).map((f) => readFileSync(join(folder, f), 'utf8')).filter((t) => t.includes('home-stage-template')) // prettier-ignore
  assert.ok(old.length > 0)
  for (const text of old) {
    const answer = await fetch(`${stage.address}/api/templates/from-document`, { method: 'POST', body: text, headers: { 'content-type': 'application/json' } })
    assert.ok(answer.ok, await answer.clone().text())
    keeps(await stage.get(`/api/documents/${(await answer.json()).id}/document`), text.slice(0, 80))
  }
  const newer = await fetch(`${stage.address}/api/templates/from-document`, { method: 'POST', body: old[0].replace(/"schemaVersion": ?\d+/, '"schemaVersion": 999'), headers: { 'content-type': 'application/json' } })
  assert.equal(newer.status, 422)
  assert.match((await newer.json()).detail, /newer version \(schema 999\)/)
})

test('what a template does not have is not of its shape', async () => {
  const [{ id }] = await stage.get('/api/templates')
  const whole = await stage.get(`/api/documents/${id}/document`)
  const broken = [
    (d) => delete d.template.channels,
    (d) => (d.template.colour = 'red'),
    (d) => (d.template.channels[0].level = 'loud'),
    (d) => (d.template.channels[0].id = 'Not an id'),
    (d) => (d.template.channels[0].kind = 'kettle'),
    (d) => (d.schemaVersion = 5),
    (d) => (d.template.timeline.sections[0].bars = 1.5),
    (d) => (d.template.channels.find((c) => c.source?.type === 'instrument').source.type = 'tape'),
  ]
  for (const breaks of broken) {
    const document = structuredClone(whole)
    breaks(document)
    assert.equal(validate(document), false, breaks.toString())
  }
})
