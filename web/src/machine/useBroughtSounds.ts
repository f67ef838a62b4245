import { computed, ref } from 'vue'
import { sentenceOf, upload } from '@/api/client'
import type { Media } from '@/api/types'
import type { PlacedFile } from '@/parts/droppedFiles'

const isSound = /\.(wav|wave|aif|aiff|aifc)$/i
const longestTitle = 80

/** Sounds that are sent to the server and wait there until something is made of them. */
export function useBroughtSounds() {
  const sounds = ref<{ path: string; sound: Media }[]>([])
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
    refused.value = chosen.filter(({ path }) => !isSound.test(path)).map(({ path }) => `${path}: no WAVE or AIFF file`)
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

  function clear() {
    asked += 1
    sounds.value = []
    refused.value = []
    sent.value = toSend.value = 0
  }

  return { sounds, refused, sent, toSend, busy, bring, clear }
}
