<script setup lang="ts">
import { computed } from 'vue'
import InsertStanding from './InsertStanding.vue'
import ParameterFields from './ParameterFields.vue'
import PatchLine from './PatchLine.vue'
import type { Channel, Edit, Insert } from '@/api/types'
import Icon from '@/parts/Icon.vue'
import ValueField from '@/parts/ValueField.vue'
import { useCatalogue } from '@/state/catalogue'
import { useDocument } from '@/state/document'

const props = defineProps<{ channel: Channel; insert: Insert; place: number; open: boolean }>()
defineEmits<{ toggle: [] }>()
const document = useDocument()
const catalogue = useCatalogue()

const kind = computed(() => catalogue.processors.get(props.insert.processor))
const parked = computed(() => props.insert.parkedIn.includes(document.act))
const feeders = computed(() =>
  document.ordered
    .filter((r) => r.channel.feeds.some((f) => f.channel === props.channel.id && f.insert === props.insert.id))
    .map((r) => r.channel.name),
)
const about = computed(() => ({ channel: props.channel.id, insert: props.insert.id }))

function send(edit: Edit) {
  void document.edit([edit], props.channel.id)
}

function park() {
  const { act } = document
  const parkedIn = parked.value ? props.insert.parkedIn.filter((id) => id !== act) : [...props.insert.parkedIn, act]
  send({ type: 'park-insert', ...about.value, parkedIn })
}

function setKey(change: { on?: boolean; lowCutHz?: number | null }) {
  const before = props.insert.key ?? { on: false, lowCutHz: null, highCutHz: null }
  send({ type: 'set-key', ...about.value, key: { ...before, ...change } })
}
</script>

<template>
  <div class="card" :class="{ parked }">
    <div class="head">
      <button type="button" class="open" :aria-expanded="open" @click="$emit('toggle')">
        <Icon :name="open ? 'fold' : 'unfold'" :size="13" />{{ kind?.name
        }}<span v-if="insert.key?.on" class="plum">keyed</span><span v-if="insert.waitsFor" class="plum">waits</span>
      </button>
      <button
        type="button"
        class="plain bare state"
        :aria-pressed="!parked"
        :title="`Switch it ${parked ? 'on' : 'off'} in this act`"
        @click="park"
      >
        {{ parked ? 'parked' : 'live' }}
      </button>
    </div>
    <div v-if="open" class="body">
      <PatchLine
        :of="insert.processor"
        :settings="insert.settings"
        @use="(settings) => send({ type: 'set-settings', ...about, settings, patch: null })"
      />
      <ParameterFields
        v-if="kind"
        :owner="kind.name"
        :parameters="kind.parameters"
        :settings="insert.settings"
        @change="(parameter, value) => send({ type: 'set-parameter', ...about, parameter, value })"
      />
      <div v-if="kind?.hasKey" class="key">
        <label class="switch">
          <input
            type="checkbox"
            :checked="insert.key?.on ?? false"
            @change="setKey({ on: ($event.target as HTMLInputElement).checked })"
          />
          Listen to a key signal
        </label>
        <template v-if="insert.key?.on">
          <p class="quiet">
            {{
              feeders.length
                ? `Fed by ${feeders.join(', ')}`
                : 'Nothing feeds it yet: choose a channel and add a feed there.'
            }}
          </p>
          <label class="switch">
            <input
              type="checkbox"
              :checked="insert.key.lowCutHz !== null"
              @change="setKey({ lowCutHz: ($event.target as HTMLInputElement).checked ? 90 : null })"
            />
            Low cut on the key
            <ValueField
              v-if="insert.key.lowCutHz != null"
              label="Low cut on the key"
              unit="Hz"
              :value="insert.key.lowCutHz"
              :min="20"
              :max="20000"
              :step="1"
              @change="setKey({ lowCutHz: $event })"
            />
          </label>
        </template>
      </div>
      <InsertStanding :channel="channel.id" :insert="insert" />
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
        <button type="button" class="plain bare" @click="send({ type: 'remove-insert', ...about })">Take it out</button>
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

.state {
  font-size: 12px;
}

.parked .state,
.plum {
  color: var(--plum);
}

.parked .open {
  text-decoration: line-through;
  text-decoration-color: var(--plum);
}

.key {
  border-top: 1px solid var(--line-soft);
  margin-top: 6px;
  padding-top: 6px;
}

.key p {
  margin: 3px 0;
}

.ends {
  display: flex;
  justify-content: flex-end;
  margin-top: 4px;
}
</style>
