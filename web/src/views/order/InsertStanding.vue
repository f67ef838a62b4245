<script setup lang="ts">
import type { Edit, Insert } from '@/api/types'
import { useDocument } from '@/state/document'
import { useTurns } from '@/state/useTurns'

/** In which acts an insert is live, and what it waits for. */
const props = defineProps<{ channel: string; insert: Insert }>()
const document = useDocument()
const turns = useTurns()
const reasons = { 'song-key': "the song's key", person: 'a person', other: 'something else' } as const
type Reason = keyof typeof reasons

function send(edit: Edit) {
  void document.edit([edit], props.channel)
}

function wait(what: Reason | '', note = '') {
  const waitsFor = what ? { what, note } : null
  send({ type: 'set-waits-for', channel: props.channel, insert: props.insert.id, waitsFor })
}

const text = (event: Event) => (event.target as HTMLInputElement).value
</script>

<template>
  <div class="standing">
    <span class="quiet">Live in</span>
    <label v-for="act in document.head?.acts" :key="act.id" class="switch"
      ><input
        type="checkbox"
        :checked="!insert.parkedIn.includes(act.id)"
        @change="turns.park(channel, [insert.id], act.id, ($event.target as HTMLInputElement).checked)"
      />
      {{ act.name }}</label
    >
    <button
      type="button"
      class="plain bare"
      :class="{ on: insert.off }"
      :aria-pressed="insert.off"
      title="Off in every act, until it is wanted; which acts it is live in stays as it is"
      @click="turns.switchOff(channel, insert.id)"
    >
      Off everywhere
    </button>
  </div>
  <div class="standing">
    <span class="quiet">Waits for</span>
    <select
      class="field"
      aria-label="What it waits for"
      :value="insert.waitsFor?.what ?? ''"
      @change="wait(text($event) as Reason | '')"
    >
      <option value="">nothing</option>
      <option v-for="(name, id) in reasons" :key="id" :value="id">{{ name }}</option>
    </select>
    <label v-if="insert.processor === 'gain'" class="switch"
      ><input
        type="checkbox"
        :checked="insert.keptForAutomation"
        @change="
          send({
            type: 'keep-for-automation',
            channel,
            insert: insert.id,
            kept: ($event.target as HTMLInputElement).checked,
          })
        "
      />
      Kept for automation</label
    >
    <input
      v-if="insert.waitsFor && insert.waitsFor.what !== 'song-key'"
      class="field"
      maxlength="80"
      placeholder="who or what"
      aria-label="Who or what it waits for"
      :value="insert.waitsFor.note"
      @keydown.stop
      @change="wait(insert.waitsFor.what, text($event))"
    />
  </div>
</template>

<style scoped>
.standing {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 4px 12px;
  margin-top: 5px;
}

.field {
  flex: 1;
  padding-block: 3px;
}
</style>
