import { ref, watch, type Ref } from 'vue'
import { api, asked, sentenceOf } from '@/api/client'
import type { StrikeView, StrikeWish } from '@/api/types'

/** What comes of a strike as it is wished for now, asked anew whenever the wish changes. */
export function useStrike(song: Readonly<Ref<string>>) {
  const view = ref<StrikeView>()
  const wish = ref<StrikeWish>()
  const trouble = ref<string>()
  let asking = 0

  async function look(next?: StrikeWish) {
    const mine = ++asking
    const id = song.value
    try {
      const ask = { params: { path: { id } }, body: { wish: next ?? null } }
      const answer = await asked(api.POST('/api/documents/{id}/strike/preview', ask))
      // Another wish was said meanwhile: an answer that comes late is not taken over.
      if (mine !== asking) return
      view.value = answer
      wish.value = answer.wish as StrikeWish
      trouble.value = undefined
    } catch (error) {
      if (mine === asking) trouble.value = sentenceOf(error)
    }
  }

  watch(song, () => look(), { immediate: true })

  const say = (part: Partial<StrikeWish>) => (wish.value ? look({ ...wish.value, ...part }) : undefined)

  /** Turns one line over, or back. */
  function turn(key: string) {
    const said = wish.value?.otherwise ?? []
    return say({ otherwise: said.includes(key) ? said.filter((k) => k !== key) : [...said, key] })
  }

  /** @returns id of the template */
  async function make(): Promise<string | undefined> {
    try {
      const ask = { params: { path: { id: song.value } }, body: { wish: wish.value ?? null } }
      return (await asked(api.POST('/api/documents/{id}/strike', ask))).id
    } catch (error) {
      trouble.value = sentenceOf(error)
      return undefined
    }
  }

  return { view, wish, trouble, say, turn, make }
}
