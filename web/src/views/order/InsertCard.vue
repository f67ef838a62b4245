<script setup lang="ts">
import { computed } from 'vue'
import InsertBody from './InsertBody.vue'
import type { Channel, Edit, Insert } from '@/api/types'
import Icon from '@/parts/Icon.vue'
import { useCatalogue } from '@/state/catalogue'
import { useDocument } from '@/state/document'
import { useTurns } from '@/state/useTurns'
import { useTakeOut } from '@/state/useTakeOut'
import { useListening } from '@/state/listening'
import { numberText } from '@/parts/decibels'

const props = defineProps<{ channel: Channel; insert: Insert; place: number; open: boolean }>()
defineEmits<{ toggle: [] }>()
const document = useDocument()
const turns = useTurns()
const takeOut = useTakeOut()
const catalogue = useCatalogue()
const listening = useListening()

const kind = computed(() => catalogue.processors.get(props.insert.processor))
const parked = computed(() => props.insert.parkedIn.includes(document.act))
/** Whether it does nothing in any act, because what it waits for has not come. */
const idle = computed(() => document.rows.get(props.channel.id)?.idle.includes(props.insert.id) ?? false)
const note = computed(() => (props.insert.notes as Record<string, string>)[''])
const reduction = computed(
  () =>
    listening.meters?.channels
      .find((c) => c.channel === props.channel.id)
      ?.reductions.find((r) => r.insert === props.insert.id)?.largestDb,
)
const about = computed(() => ({ channel: props.channel.id, insert: props.insert.id }))

function send(edit: Edit) {
  void document.edit([edit], props.channel.id)
}

const park = () => turns.park(props.channel.id, [props.insert.id], document.act)
</script>

<template>
  <div class="card" :class="{ parked, idle: idle || insert.off }">
    <div class="head">
      <button type="button" class="open" :aria-expanded="open" @click="$emit('toggle')">
        <Icon :name="open ? 'fold' : 'unfold'" :size="13" /><span class="title">{{
          insert.device?.name ?? kind?.name
        }}</span
        ><span v-if="insert.device" class="plum standing-in" :title="`What is heard is ${kind?.name}`">stand-in</span
        ><span v-if="insert.key?.on" class="plum">keyed</span
        ><span v-if="insert.off" class="plum" title="Off in every act">off</span
        ><span v-else-if="idle" class="plum" title="Idle until what it waits for has come">idle, waits</span
        ><span v-else-if="insert.waitsFor && !parked" class="quiet">awake</span
        ><span
          v-if="insert.keptForAutomation"
          class="quiet"
          title="It stands here to be automated, so that the fader stays free"
          >for automation</span
        ><span v-if="reduction" class="quiet taken" title="How far it turned the sound down at most in the last render"
          >−{{ numberText(reduction, 1) }} dB</span
        >
      </button>
      <button
        type="button"
        class="plain bare state"
        :class="{ on: parked }"
        :aria-pressed="parked"
        :title="parked ? 'Switched off in this act; press to have it live' : 'Live in this act; press to switch it off'"
        @click="park"
      >
        Park
      </button>
    </div>
    <p v-if="note && !open" class="quiet note">{{ note }}</p>
    <div v-if="open" class="body">
      <InsertBody :channel="channel" :insert="insert" />
      <div class="ends">
        <button
          type="button"
          class="plain bare"
          :disabled="place === 0"
          aria-label="Earlier in the strip"
          @click="send({ type: 'move-insert', ...about, place: place - 1 })"
        >
          <Icon name="up" :size="14" />
        </button>
        <button
          type="button"
          class="plain bare"
          :disabled="place === channel.inserts.length - 1"
          aria-label="Later in the strip"
          @click="send({ type: 'move-insert', ...about, place: place + 1 })"
        >
          <Icon name="down" :size="14" />
        </button>
        <button type="button" class="plain bare" @click="takeOut(channel.id, [insert.id])">Take it out</button>
      </div>
    </div>
  </div>
</template>

<style scoped>
.card {
  border-radius: 8px;
  margin: 0 -8px 2px;
  padding: 0 8px;
}

.card:has(.body) {
  background: var(--raised);
  padding-bottom: 6px;
}

.head {
  display: flex;
  align-items: center;
}

.open {
  flex: 1;
  display: flex;
  align-items: center;
  gap: 6px;
  border: 0;
  background: none;
  padding: 4px 0;
  cursor: pointer;
  text-align: left;
}

.note {
  margin: 0 0 4px 19px;
  white-space: pre-wrap;
}

.taken {
  margin-left: auto;
  font-size: 12px;
}

.state {
  font-size: 12px;
}

.plum {
  color: var(--plum);
}

.parked .state {
  color: var(--plum);
  border-color: var(--plum);
}

.parked .title,
.idle .title {
  text-decoration: line-through;
  text-decoration-color: var(--plum);
}

.ends {
  display: flex;
  justify-content: flex-end;
  margin-top: 4px;
}
</style>
