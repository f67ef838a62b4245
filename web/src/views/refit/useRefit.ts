import { computed, ref, watch, type Ref } from 'vue'
import { api, asked } from '@/api/client'
import type { RefitView, RefitWish } from '@/api/types'
import { useNewest } from '@/state/useNewest'

/** Stands in the list for no other place: no bus has such an id. */
export const stays = '—'

const usualRefit: RefitWish = { said: {}, colours: true, strips: 'where-empty', sends: 'closed' }

/**
 * Where everything goes on a plan, asked anew whenever the plan, the wish or the document changes.
 * @param revision of the document; a proposal is of one alone
 */
export function useRefit(document: Ref<string>, plan: Ref<string | undefined>, revision: Ref<number | undefined>) {
  const { answer: view, trouble, ask, settled } = useNewest<RefitView>()
  const wish = ref<RefitWish>({ ...usualRefit })

  watch(
    [document, plan],
    () => {
      view.value = undefined
      wish.value = { ...usualRefit }
    },
    { flush: 'sync' },
  )
  watch([document, plan, wish, revision], look, { immediate: true })

  function look() {
    if (!plan.value) return ask()
    const request = { params: { path: { id: document.value } }, body: { plan: plan.value, wish: wish.value } }
    return ask(async () => (await asked(api.POST('/api/documents/{id}/refit', request))) as RefitView)
  }

  const say = (part: Partial<RefitWish>) => void (wish.value = { ...wish.value, ...part })

  /** @param sum id of the plan's bus, or {@link stays} */
  const place = (channel: string, sum: string) =>
    say({ said: { ...wish.value.said, [channel]: sum === stays ? '' : sum } })

  const choices = computed(() => [
    { value: stays, text: 'stays where it is' },
    ...(view.value?.sums.map((s) => ({ value: s.id, text: s.name })) ?? []),
  ])

  return { view, wish, trouble, choices, settled, say, place }
}
