import { computed, ref, shallowRef } from 'vue'
import { sentenceOf } from '@/api/client'
import type { BroughtKit, Kit, Media } from '@/api/types'
import type { PlacedFile } from '@/files/droppedFiles'
import { kitAmong, kitsTooMany, sendKit, type KitFound } from '@/files/kitFiles'
import { isSoundFile, sendSound } from '@/files/soundFiles'
import { useDocument } from '@/state/document'

const longestTitle = 80

/** The name of a file without its folders and its ending. */
const titleOf = (path: string) =>
  path
    .replace(/^.*[/\\]/, '')
    .replace(/\.[^.]*$/, '')
    .slice(0, longestTitle)

/** Sounds, and the file of a kit, that are sent to the server and wait there until something is made of them. */
export function useBroughtSounds() {
  const document = useDocument()
  const sounds = ref<{ path: string; sound: Media }[]>([])
  const kit = shallowRef<{ name: string; kit: Kit; outputsSaid: number }>()
  const refused = ref<string[]>([])
  const sent = ref(0)
  const toSend = ref(0)
  const busy = computed(() => sent.value < toSend.value)
  /** What it may be called: as the file of the kit, or as the folder of the sounds. */
  const called = computed(() => {
    const folder = sounds.value[0]?.path.split('/').at(-2)
    return kit.value ? titleOf(kit.value.name) : folder?.slice(0, longestTitle)
  })
  let asked = 0

  async function bring(files: PlacedFile[]) {
    const mine = ++asked
    const chosen = files.filter(({ path }) => !path.split('/').some((part) => part.startsWith('.')))
    const { kit: found, more, rest } = kitAmong(chosen)
    const wanted = rest.filter(({ path }) => isSoundFile(path))
    refused.value = [
      ...rest
        .filter((file) => !wanted.includes(file))
        .map(({ path }) => `${path}: neither a sound (WAVE, AIFF, FLAC) nor a kit`),
      ...kitsTooMany(more),
    ]
    if (found) await bringKit(found)
    const kept: typeof sounds.value = []
    toSend.value = wanted.length
    sent.value = 0
    for (const { path, file } of wanted) {
      try {
        const sound = await sendSound<Media>(`/api/media/waiting?title=${encodeURIComponent(titleOf(path))}`, file)
        kept.push({ path, sound })
      } catch (error) {
        refused.value = [...refused.value, `${path}: ${sentenceOf(error)}`]
      }
      if (mine !== asked) return
      sent.value += 1
    }
    sounds.value = kept
  }

  async function bringKit(found: KitFound) {
    const { path } = found
    try {
      const read = await sendKit<BroughtKit>(`/api/documents/${document.head!.id}/machines/kit-file`, found)
      kit.value = { name: path, kit: read.kit, outputsSaid: read.outputsSaid }
      refused.value = [...refused.value, ...read.leftOut]
    } catch (error) {
      refused.value = [...refused.value, `${path}: ${sentenceOf(error)}`]
    }
  }

  function clear() {
    asked += 1
    sounds.value = []
    kit.value = undefined
    refused.value = []
    sent.value = toSend.value = 0
  }

  return { sounds, kit, called, refused, sent, toSend, busy, bring, clear }
}
