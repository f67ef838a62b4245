// Starts and ends the real server: in a process of its own, or in the playhouse that serves every stage of a whole run.
import { spawn } from 'node:child_process'
import { dirname, join } from 'node:path'
import { createInterface } from 'node:readline'
import { fileURLToPath } from 'node:url'

const root = join(dirname(fileURLToPath(import.meta.url)), '..', '..')
const web = join(root, 'web', 'dist')

/** The runtime compiles well what was called a thousand times (hexadecimal here), not thirty: a server of its own lives for seconds. */
const runtime = { DOTNET_TC_CallCountThreshold: '400' }

/**
 * Serves a folder of data at a port of the loopback address, 0 for any free one.
 * @returns its `address`, and how to `end` it, which answers when it has let go of its folder
 */
export const serve = (data, port = 0) =>
  process.env.HOME_STAGE_PLAYHOUSE ? inPlayhouse(process.env.HOME_STAGE_PLAYHOUSE, data, port) : alone(data, port)

async function inPlayhouse(playhouse, data, port) {
  const headers = { 'content-type': 'application/json' }
  const answer = await fetch(`${playhouse}/stages`, { method: 'POST', headers, body: JSON.stringify({ port, data, web }) })
  const address = await answer.text()
  if (!answer.ok) throw new Error(`The stage did not open: ${address}`)
  return { address, end: () => fetch(`${playhouse}/stages/${new URL(address).port}`, { method: 'DELETE' }) }
}

async function alone(data, port) {
  const program = join(root, 'src/HomeStage.Server/bin/Release/net10.0/HomeStage.Server.dll')
  const server = spawn('dotnet', [program, '--port', `${port}`, '--data', data, '--web', web], { env: { ...process.env, ...runtime } })
  const ended = new Promise((resolve) => server.once('exit', resolve))
  const end = () => server.kill('SIGTERM') && ended
  return { address: await addressOf(server), end }
}

function addressOf(server) {
  return new Promise((resolve, reject) => {
    createInterface({ input: server.stdout }).on('line', (line) => {
      const found = /http:\/\/127\.0\.0\.1:\d+/.exec(line)
      if (found) resolve(found[0])
    })
    let said = ''
    server.stderr.on('data', (chunk) => (said += chunk))
    server.on('exit', (code) => reject(new Error(`The server ended with ${code}: ${said}`)))
  })
}
