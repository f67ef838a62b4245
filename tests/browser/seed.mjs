// Lets the demo be put into a folder by a stage that opens on it and ends: node seed.mjs PLAYHOUSE FOLDER
import { serve } from './serving.mjs'

const [playhouse, folder] = process.argv.slice(2)
process.env.HOME_STAGE_PLAYHOUSE = playhouse
const stage = await serve(folder)
console.log(`The demo was put into ${folder} at ${stage.address}`)
await stage.end()
