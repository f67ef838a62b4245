<script setup lang="ts">
import { computed } from 'vue'
import { numberText, secondsText } from './decibels'
import { useDocument } from '@/state/document'
import { useListening } from '@/state/listening'
import { useSilence } from '@/state/useSilence'

/** How the render of the listening point stands, why it is silent, and what can be done with it. */
const document = useDocument()
const listening = useListening()

const main = computed(() => document.ordered.find((r) => document.can(r).standsOnce)?.channel.id)
const silence = useSilence(() => (listening.isSilent ? (listening.point ?? main.value) : undefined))
const state = computed(() => {
  if (listening.trouble) return listening.trouble
  if (listening.rendering) return `Rendering ${Math.round((listening.job?.progress ?? 0) * 100)} %`
  if (listening.job?.state === 'cancelled') return 'Cancelled'
  if (listening.keptAs) return `Kept as ${listening.keptAs}`
  if (!listening.meters) return 'Not rendered yet'
  const taped = listening.meters.channelsFromTape
  if (listening.isSilent) return ['Silent.', ...silence.value].join(' ')
  return listening.isCurrent
    ? `${secondsText(listening.meters.seconds)} in ${numberText(listening.job?.tookSeconds ?? 0, 2)} s${taped ? `, ${taped} unchanged` : ''}`
    : 'Older than the template'
})
</script>

<template>
  <div class="work" :class="{ wide: listening.isSilent }">
    <span :class="{ trouble: listening.trouble, silent: listening.isSilent }" :title="state" role="status">{{
      state
    }}</span>
    <progress v-if="listening.rendering" max="1" :value="listening.job?.progress ?? 0" aria-label="Rendering" />
    <button v-if="listening.rendering" type="button" class="plain bare" @click="listening.cancel()">Cancel</button>
    <button v-else-if="!listening.isCurrent" type="button" class="plain bare" @click="listening.render()">
      Render now
    </button>
    <button
      v-else-if="listening.meters && !listening.isSilent && !listening.keptAs"
      type="button"
      class="plain bare"
      title="Put it on the shelf of sounds, where channels and kits find it"
      @click="listening.keep()"
    >
      Keep the sound
    </button>
  </div>
</template>

<style scoped>
.work {
  width: 132px;
  flex: none;
  display: grid;
  justify-items: end;
  text-align: right;
  font-size: 12px;
  color: var(--text-2);
}

/* Silence has no meters: why it is there stands in their room. */
.wide {
  width: 330px;
}

.silent {
  display: -webkit-box;
  -webkit-line-clamp: 3;
  -webkit-box-orient: vertical;
  overflow: hidden;
}

.trouble {
  color: var(--blocker);
}

progress {
  width: 100%;
  height: 4px;
}
</style>
