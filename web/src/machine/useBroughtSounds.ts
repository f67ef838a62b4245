import { computed, ref, shallowRef } from 'vue'
import { sentenceOf, upload } from '@/api/client'
import type { BroughtKit, Kit, Media } from '@/api/types'
import type { PlacedFile } from '@/parts/droppedFiles'
import { useDocument } from '@/state/document'

const isSound = /\.(wav|wave|aif|aiff|aifc)$/i
/** A table, note names, the hits of a MIDI file, or an SFZ with its samples. */
const isKit = /\.(csv|midnam|mid|midi|zip)$/i
const longestTitle = 80

/** Sounds, and the file of a kit, that are sent to the server and wait there until something is made of them. */
export function useBroughtSounds() {
  const document = useDocument()
  const sounds = ref<{ path: string; sound: Media }[]>([])
  const kit = shallowRef<{ name: string; kit: Kit }>()
  const refused = ref<string[]>([])
  const sent = ref(0)
  const toSend = ref(0)
  const busy = computed(() => sent.value < toSend.value)
  let asked = 0

  const titleOf = (path: string) =>
    path
      .replace(/^.*[/\\]/, '')
      .replace(/\.[^.]*$/, '')
      .slice(0, longestTitle)

  async function bring(files: PlacedFile[]) {
    const mine = ++asked
    const chosen = files.filter(({ path }) => !path.split('/').some((part) => part.startsWith('.')))
    const kits = chosen.filter(({ path }) => isKit.test(path))
    refused.value = [
      ...chosen
        .filter((file) => !isSound.test(file.path) && !kits.includes(file))
        .map(({ path }) => `${path}: neither a sound nor a kit`),
      ...kits.slice(1).map(({ path }) => `${path}: one file of a kit is enough`),
    ]
    if (kits[0]) await bringKit(kits[0])
    const wanted = chosen.filter(({ path }) => isSound.test(path))
    const kept: typeof sounds.value = []
    toSend.value = wanted.length
    sent.value = 0
    for (const { path, file } of wanted) {
      try {
        const sound = await upload<Media>(`/api/media/waiting?title=${encodeURIComponent(titleOf(path))}`, file)
        kept.push({ path, sound })
      } catch (error) {
        refused.value = [...refused.value, `${path}: ${sentenceOf(error)}`]
      }
      if (mine !== asked) return
      sent.value += 1
    }
    sounds.value = kept
  }

  async function bringKit({ path, file }: PlacedFile) {
    try {
      const read = await upload<BroughtKit>(`/api/documents/${document.head!.id}/machines/kit-file`, file)
      kit.value = { name: path, kit: read.kit }
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

  return { sounds, kit, refused, sent, toSend, busy, bring, clear }
}
