import { readonly, ref, shallowRef } from 'vue'
import { sentenceOf } from '@/api/client'

/**
 * What is asked of the server again and again while a person makes up their mind. Only the newest question counts: an
 * answer that comes late is not taken over, and what is done with an answer waits for the newest.
 */
export function useNewest<T>() {
  /** The last that was answered; it stays in sight while another question is refused. */
  const answer = shallowRef<T>()
  /** Why the newest question was refused. */
  const trouble = ref<string>()
  let underWay: Promise<void> = Promise.resolve()

  /** @param question undefined where there is nothing to ask, and so no answer */
  function ask(question?: () => Promise<T>): Promise<void> {
    const mine: Promise<void> = (question?.() ?? Promise.resolve(undefined)).then(
      (found) => {
        if (underWay !== mine) return
        answer.value = found
        trouble.value = undefined
      },
      (error: unknown) => {
        if (underWay === mine) trouble.value = sentenceOf(error)
      },
    )
    underWay = mine
    return mine
  }

  /** @returns the answer to the newest question as soon as it has come; none where that was refused */
  async function settled(): Promise<T | undefined> {
    let waitedFor: Promise<void>
    do await (waitedFor = underWay)
    while (waitedFor !== underWay)
    return trouble.value === undefined ? answer.value : undefined
  }

  return { answer, trouble: readonly(trouble), ask, settled }
}
