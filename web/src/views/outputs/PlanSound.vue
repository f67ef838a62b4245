<script setup lang="ts">
import { useDebounceFn } from '@vueuse/core'
import { shallowRef, watch } from 'vue'
import { nullTestOf } from './outputCalls'
import { sentenceOf } from '@/api/client'
import type { NullTest, PlanView } from '@/api/types'
import { numberText } from '@/parts/decibels'
import { useDocument } from '@/state/document'

/** Whether a plan sounds as what is there, told before it is made. */
const props = defineProps<{ channel: string; plan: PlanView }>()
const document = useDocument()
const settleMs = 300
const heard = shallowRef<NullTest>()
const trouble = shallowRef<string>()
let asking = 0

const ask = useDebounceFn(async () => {
  const mine = ++asking
  try {
    const answer = await nullTestOf(document.head!.id, props.channel, document.act, props.plan.edits)
    if (mine === asking) heard.value = answer
  } catch (error) {
    if (mine === asking) trouble.value = sentenceOf(error)
  }
}, settleMs)

watch(
  () => props.plan,
  () => {
    heard.value = trouble.value = undefined
    asking += 1
    void ask()
  },
  { immediate: true },
)

const most = 6
const named = (test: NullTest) => test.differing.slice(0, most).map((d) => `${d.piece} ${numberText(d.dbfs, 1)}`)
</script>

<template>
  <section aria-live="polite">
    <h3>Sound</h3>
    <p v-if="trouble" class="trouble" role="alert">{{ trouble }}</p>
    <p v-else-if="!heard" class="faint">Striking every piece, before and after…</p>
    <p v-else-if="heard.soundsAlike" class="proven">
      Sounds as before: the difference is
      {{ heard.largestDbfs === null ? 'nothing at all' : `${numberText(heard.largestDbfs, 0)} dBFS` }}.
    </p>
    <template v-else>
      <p>
        Sounds otherwise: the difference comes to <b>{{ numberText(heard.largestDbfs!, 1) }} dBFS</b>.
      </p>
      <p class="quiet">
        {{ named(heard).join(', ') }}
        <template v-if="heard.differing.length > most">and {{ heard.differing.length - most }} more</template>
      </p>
    </template>
  </section>
</template>

<style scoped>
section {
  margin-top: 12px;
  padding-top: 10px;
  border-top: 1px solid var(--line-soft);
}

p {
  margin: 0 0 4px;
}

.trouble {
  color: var(--blocker);
}

.proven {
  color: var(--proven);
}
</style>
