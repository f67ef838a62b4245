import { computed, ref, watch, type Ref } from 'vue'
import { api, asked, sentenceOf } from '@/api/client'
import type { StrikeView, StrikeWish } from '@/api/types'
import { useNewest } from '@/state/useNewest'

/** What comes of a strike as it is wished for now, asked anew whenever the wish changes. */
export function useStrike(song: Readonly<Ref<string>>) {
  const { answer: view, trouble: refused, ask, settled } = useNewest<StrikeView>()
  const wish = ref<StrikeWish>()
  const unmade = ref<string>()
  const trouble = computed(() => unmade.value ?? refused.value)

  async function look() {
    const [id, said] = [song.value, wish.value ?? null]
    await ask(() =>
      asked(api.POST('/api/documents/{id}/strike/preview', { params: { path: { id } }, body: { wish: said } })),
    )
    if (id === song.value) wish.value ??= view.value?.wish as StrikeWish | undefined
  }

  watch(
    song,
    () => {
      view.value = wish.value = undefined
      void look()
    },
    { immediate: true },
  )

  function say(part: Partial<StrikeWish>) {
    if (!wish.value) return
    wish.value = { ...wish.value, ...part }
    void look()
  }

  /** Turns one line over, or back. */
  function turn(key: string) {
    const said = wish.value?.otherwise ?? []
    say({ otherwise: said.includes(key) ? said.filter((k) => k !== key) : [...said, key] })
  }

  /** @returns id of the template */
  async function make(): Promise<string | undefined> {
    unmade.value = undefined
    if (!(await settled())) return undefined
    try {
      const ask = { params: { path: { id: song.value } }, body: { wish: wish.value ?? null } }
      return (await asked(api.POST('/api/documents/{id}/strike', ask))).id
    } catch (error) {
      unmade.value = sentenceOf(error)
      return undefined
    }
  }

  return { view, wish, trouble, say, turn, make }
}
