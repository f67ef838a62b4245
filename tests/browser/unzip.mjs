// Reads a file of a ZIP by its central directory, as the open description of the format has it (APPNOTE, 4.3).
import assert from 'node:assert/strict'
import { inflateRawSync } from 'node:zlib'

/** @returns the bytes of a file in a ZIP */
export function unzipped(zip, name) {
  const end = zip.lastIndexOf(Buffer.from('PK\x05\x06', 'latin1'))
  assert.ok(end >= 0, 'it is no ZIP')
  for (let at = zip.readUInt32LE(end + 16), left = zip.readUInt16LE(end + 10); left > 0; left--) {
    const [method, packed, nameLength, extra, comment] = [zip.readUInt16LE(at + 10), zip.readUInt32LE(at + 20), zip.readUInt16LE(at + 28), zip.readUInt16LE(at + 30), zip.readUInt16LE(at + 32)]
    if (zip.toString('utf8', at + 46, at + 46 + nameLength) === name) {
      const header = zip.readUInt32LE(at + 42)
      const start = header + 30 + zip.readUInt16LE(header + 26) + zip.readUInt16LE(header + 28)
      const bytes = zip.subarray(start, start + packed)
      return method === 0 ? bytes : inflateRawSync(bytes)
    }
    at += 46 + nameLength + extra + comment
  }
  assert.fail(`${name} is not in it`)
}
