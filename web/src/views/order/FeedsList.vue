<script setup lang="ts">
import { computed } from 'vue'
import type { Channel, SidechainFeed } from '@/api/types'
import AddMenu from '@/parts/AddMenu.vue'
import Icon from '@/parts/Icon.vue'
import ValueField from '@/parts/ValueField.vue'
import { useCatalogue } from '@/state/catalogue'
import { useDocument } from '@/state/document'

const props = defineProps<{ channel: Channel }>()
const document = useDocument()
const catalogue = useCatalogue()

const targets = computed(() =>
  catalogue
    .keyedInserts(document.ordered)
    .filter(
      ({ row, insert }) => !props.channel.feeds.some((f) => f.channel === row.channel.id && f.insert === insert.id),
    )
    .map(({ row, insert }) => ({
      value: `${row.channel.id}/${insert.id}`,
      text: `${row.channel.name}: ${catalogue.processors.get(insert.processor)?.name}${insert.key?.on ? ', keyed' : ''}`,
    })),
)

function nameOf(feed: SidechainFeed) {
  return document.rows.get(feed.channel)?.channel.name ?? feed.channel
}

function put(feed: SidechainFeed, change: Partial<SidechainFeed> = {}) {
  void document.edit([{ type: 'put-feed', channel: props.channel.id, feed: { ...feed, ...change } }], props.channel.id)
}

/** A feed is of use only where the key is switched on, so both happen in one edit. */
function add(value: string) {
  const [channel, insert] = value.split('/')
  if (!channel || !insert) return
  const target = document.rows.get(channel)?.channel.inserts.find((i) => i.id === insert)
  const key = target?.key ?? { on: false, lowCutHz: null, highCutHz: null }
  void document.edit(
    [
      { type: 'set-key', channel, insert, key: { ...key, on: true } },
      { type: 'put-feed', channel: props.channel.id, feed: { channel, insert, level: 0, tap: 'pre' } },
    ],
    props.channel.id,
  )
}

function remove(feed: SidechainFeed) {
  void document.edit(
    [{ type: 'remove-feed', channel: props.channel.id, toChannel: feed.channel, toInsert: feed.insert }],
    props.channel.id,
  )
}
</script>

<template>
  <section>
    <AddMenu title="Steers" label="Add a sidechain feed" :choices="targets" @add="add" />
    <div v-for="feed in channel.feeds" :key="`${feed.channel}/${feed.insert}`" class="send">
      <span class="to plum">{{ nameOf(feed) }}</span>
      <ValueField
        :label="`Feed to ${nameOf(feed)}`"
        form="level"
        unit="dB"
        :value="feed.level"
        :min="-60"
        :max="6"
        :step="0.5"
        @change="put(feed, { level: $event })"
      />
      <button
        type="button"
        class="plain bare"
        :class="{ on: feed.tap === 'pre' }"
        :aria-pressed="feed.tap === 'pre'"
        :title="
          feed.tap === 'pre'
            ? 'Taken before the fader; press for after it'
            : 'Taken after the fader; press for before it'
        "
        @click="put(feed, { tap: feed.tap === 'pre' ? 'post' : 'pre' })"
      >
        Pre
      </button>
      <button type="button" class="plain bare" :aria-label="`Remove the feed to ${nameOf(feed)}`" @click="remove(feed)">
        <Icon name="close" :size="13" />
      </button>
    </div>
    <p v-if="channel.feeds.length === 0" class="faint">No other channel’s detector listens to this one.</p>
  </section>
</template>

<style scoped src="./connections.css"></style>
