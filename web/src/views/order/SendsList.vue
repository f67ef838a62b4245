<script setup lang="ts">
import { computed } from 'vue'
import type { Channel, Send } from '@/api/types'
import AddMenu from '@/parts/AddMenu.vue'
import Icon from '@/parts/Icon.vue'
import ValueField from '@/parts/ValueField.vue'
import { useDocument } from '@/state/document'

const props = defineProps<{ channel: Channel }>()
const document = useDocument()

const targets = computed(() =>
  document.ordered
    .filter(
      (r) =>
        document.can(r).takesSends &&
        r.channel.id !== props.channel.id &&
        !props.channel.sends.some((s) => s.to === r.channel.id),
    )
    .map((r) => ({ value: r.channel.id, text: r.channel.name })),
)

function put(send: Send, change: Partial<Send> = {}) {
  void document.edit([{ type: 'put-send', channel: props.channel.id, send: { ...send, ...change } }], props.channel.id)
}

function add(to: string) {
  put({ to, level: -12, tap: 'post', open: true })
}

function remove(to: string) {
  void document.edit([{ type: 'remove-send', channel: props.channel.id, to }], props.channel.id)
}
</script>

<template>
  <section>
    <AddMenu title="Sends" label="Add a send" :choices="targets" @add="add" />
    <div v-for="send in channel.sends" :key="send.to" class="send" :class="{ closed: !send.open }">
      <span class="to">{{ document.rows.get(send.to)?.channel.name }}</span>
      <ValueField
        :label="`Send to ${document.rows.get(send.to)?.channel.name}`"
        form="level"
        unit="dB"
        :held-by="document.heldBy(channel.id, `send/${send.to}`)"
        :value="send.level"
        :min="-60"
        :max="6"
        :step="0.5"
        @change="put(send, { level: $event })"
      />
      <button
        type="button"
        class="plain bare"
        :class="{ on: send.tap === 'pre' }"
        :aria-pressed="send.tap === 'pre'"
        :title="
          send.tap === 'pre'
            ? 'Taken before the fader; press for after it'
            : 'Taken after the fader; press for before it'
        "
        @click="put(send, { tap: send.tap === 'pre' ? 'post' : 'pre' })"
      >
        Pre
      </button>
      <button
        type="button"
        class="plain bare"
        :class="{ on: !send.open }"
        :aria-pressed="!send.open"
        :title="send.open ? 'Open; press to close it until it is wanted' : 'Closed, in place; press to open it'"
        @click="put(send, { open: !send.open })"
      >
        Closed
      </button>
      <button
        type="button"
        class="plain bare"
        :aria-label="`Remove the send to ${document.rows.get(send.to)?.channel.name}`"
        @click="remove(send.to)"
      >
        <Icon name="close" :size="13" />
      </button>
    </div>
    <p v-if="channel.sends.length === 0" class="faint">No sends.</p>
  </section>
</template>

<style scoped src="./connections.css"></style>
