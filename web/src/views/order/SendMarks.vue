<script setup lang="ts">
import { computed } from 'vue'
import type { Channel, ChannelRow } from '@/api/types'
import { levelText } from '@/parts/decibels'
import { useCatalogue } from '@/state/catalogue'

/** A short line for each of the first four returns, filled by the send's level. */
const props = defineProps<{ channel: Channel; returns: ChannelRow[] }>()
const catalogue = useCatalogue()
const bottomDb = -40
const topDb = 6

const marks = computed(() =>
  props.returns.slice(0, 4).map((target, i) => {
    const send = props.channel.sends.find((s) => s.to === target.channel.id)
    const level = send?.level ?? null
    const share = level === null ? 0 : Math.min(1, Math.max(0.04, (level - bottomDb) / (topDb - bottomDb)))
    return { i, name: target.channel.name, send, level, share }
  }),
)
const words = computed(
  () =>
    marks.value
      .filter((m) => m.send)
      .map((m) => `${m.name} ${levelText(m.level)} dB${m.send?.open ? '' : ', closed'}`)
      .join('; ') || 'no sends',
)
</script>

<template>
  <svg v-if="catalogue.can(channel.kind).sends" width="76" height="14" role="img" :aria-label="words">
    <title>{{ words }}</title>
    <g v-for="m in marks" :key="m.i" :transform="`translate(${m.i * 19 + 1} 7)`">
      <path d="M0 0h14" stroke="var(--guide)" stroke-width="2" stroke-linecap="round" />
      <template v-if="m.send">
        <path
          v-if="m.send.open"
          :d="`M0 0h${14 * m.share}`"
          stroke="var(--text-2)"
          stroke-width="2"
          stroke-linecap="round"
        />
        <circle
          :cx="14 * m.share"
          r="2.4"
          :fill="m.send.open ? 'var(--text-2)' : 'var(--ground)'"
          stroke="var(--text-2)"
          stroke-width="1.2"
        />
      </template>
    </g>
  </svg>
</template>
