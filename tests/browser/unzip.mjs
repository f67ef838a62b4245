// Reads and writes ZIPs by their central directory, as the open description of the format has it (APPNOTE, 4.3).
import assert from 'node:assert/strict'
import { crc32, inflateRawSync } from 'node:zlib'

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

/** @returns a ZIP of files that are stored as they are, by name */
export function zipped(files) {
  const [bodies, directory] = [[], []]
  let at = 0
  for (const [name, text] of Object.entries(files)) {
    const [title, bytes] = [Buffer.from(name), Buffer.from(text)]
    // Version, flags, method, time, date, checksum, packed and whole length, length of the name, no extra field.
    const facts = Buffer.alloc(26)
    facts.writeUInt16LE(20, 0)
    facts.writeUInt16LE(0x21, 8)
    facts.writeUInt32LE(crc32(bytes), 10)
    facts.writeUInt32LE(bytes.length, 14)
    facts.writeUInt32LE(bytes.length, 18)
    facts.writeUInt16LE(title.length, 22)
    bodies.push(Buffer.from('PK\x03\x04', 'latin1'), facts, title, bytes)
    const place = Buffer.alloc(14)
    place.writeUInt32LE(at, 10)
    directory.push(Buffer.from('PK\x01\x02\x14\x00', 'latin1'), facts, place, title)
    at += 30 + title.length + bytes.length
  }
  const entries = Buffer.concat(directory)
  const end = Buffer.alloc(22)
  end.write('PK\x05\x06', 'latin1')
  for (const place of [8, 10]) end.writeUInt16LE(Object.keys(files).length, place)
  end.writeUInt32LE(entries.length, 12)
  end.writeUInt32LE(at, 16)
  return Buffer.concat([...bodies, entries, end])
}
