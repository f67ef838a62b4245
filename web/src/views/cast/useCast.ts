import { useDebounceFn } from '@vueuse/core'
import { computed, ref, watch, type Ref } from 'vue'
import { castOf, castSet, castStage } from './castCalls'
import { sentenceOf } from '@/api/client'
import type { CastStage } from '@/api/types'
import { useDocument } from '@/state/document'

const keyPauseMs = 90

/** A list as it is typed, and the running order that it makes. */
export function useCast(id: Ref<string>) {
  const document = useDocument()
  const text = ref('')
  const caret = ref<{ line: number; column: number }>()
  const example = ref('')
  const stage = ref<CastStage>()
  const trouble = ref<string>()
  const setting = ref(false)
  /** The list as it was read; what is not in it any more goes. */
  const was = ref<string>()
  /** Whether the list came of a brief, which asks for nothing but a sound template. */
  const sound = ref(false)
  let asking = 0
  /** Whether nobody has changed the list since it was read, so that it may be read anew. */
  const untouched = () => text.value === (was.value ?? '')

  const ask = computed(() => ({
    text: text.value,
    was: was.value || null,
    line: caret.value?.line ?? null,
    column: caret.value?.column ?? null,
    sound: sound.value,
  }))

  async function read() {
    const [of, typed] = [id.value, text.value]
    trouble.value = undefined
    try {
      const list = await castOf(of)
      if (of !== id.value) return
      was.value = list.text
      // Whoever has begun to type meanwhile goes on with that.
      if (text.value === typed) text.value = list.text
      example.value = list.example
      await look()
    } catch (error) {
      trouble.value = sentenceOf(error)
    }
  }

  async function look() {
    const turn = ++asking
    try {
      const seen = await castStage(id.value, ask.value)
      if (turn !== asking) return
      stage.value = seen
      trouble.value = undefined
    } catch (error) {
      if (turn === asking) trouble.value = sentenceOf(error)
    }
  }

  const lookSoon = useDebounceFn(look, keyPauseMs)
  watch([text, caret], lookSoon)
  /** Whoever undoes what was set reads the list anew; a list that is being changed is looked at on the new state. */
  watch(
    () => document.head?.revision,
    (now, before) => {
      if (before === undefined || now === before || setting.value) return
      void (untouched() ? read() : look())
    },
  )
  watch(
    id,
    () => {
      text.value = ''
      was.value = undefined
      void read()
    },
    { immediate: true },
  )

  /** @returns whether the stage is set */
  async function set(): Promise<boolean> {
    setting.value = true
    trouble.value = undefined
    try {
      const made = await castSet(id.value, ask.value)
      if (await document.edit(made.edits)) return true
      trouble.value = document.refusal?.sentence
    } catch (error) {
      trouble.value = sentenceOf(error)
    } finally {
      setting.value = false
    }
    return false
  }

  return { text, caret, example, stage, trouble, setting, sound, untouched, set }
}
