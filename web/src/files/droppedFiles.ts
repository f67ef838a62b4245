/** A file with the names of the folders that it lies in. */
export interface PlacedFile {
  path: string
  file: File
}

/** What was chosen in a file field, folders included. */
export const chosenFiles = (files: Iterable<File>): PlacedFile[] =>
  [...files].map((file) => ({ path: file.webkitRelativePath || file.name, file }))

/** What was dropped, with everything in its folders. */
export async function droppedFiles(items: DataTransfer): Promise<PlacedFile[]> {
  // The entries are gone after the first wait, so all of them are taken before it.
  const entries = [...items.items].map((item) => item.webkitGetAsEntry()).filter((entry) => entry !== null)
  return (await Promise.all(entries.map((entry) => within(entry, '')))).flat()
}

async function within(entry: FileSystemEntry, above: string): Promise<PlacedFile[]> {
  const path = above + entry.name
  if (entry.isFile) {
    const file = await new Promise<File>((take, fail) => (entry as FileSystemFileEntry).file(take, fail))
    return [{ path, file }]
  }
  const reader = (entry as FileSystemDirectoryEntry).createReader()
  const all: PlacedFile[] = []
  // A reader hands out a folder in parts, until it hands out nothing.
  for (;;) {
    const part = await new Promise<FileSystemEntry[]>((take, fail) => reader.readEntries(take, fail))
    if (part.length === 0) return all
    for (const inner of part) all.push(...(await within(inner, `${path}/`)))
  }
}
