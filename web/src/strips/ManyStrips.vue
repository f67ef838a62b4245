<script setup lang="ts">
import { computed, onMounted, ref } from 'vue'
import Picker from '@/parts/Picker.vue'
import { sentenceOf } from '@/api/client'
import type { ChannelRow } from '@/api/types'
import { useCatalogue } from '@/state/catalogue'
import { useDocument } from '@/state/document'
import { newLever } from '@/state/newLever'
import { movableOn } from '@/state/movementCalls'
import { useShelf } from '@/state/shelf'

/** Lays a kept strip on channels, and sets inserts of several as those of the first. */
const props = defineProps<{ rows: readonly ChannelRow[] }>()
const document = useDocument()
const catalogue = useCatalogue()
const shelf = useShelf()
const trouble = ref<string>()
const told = ref<string>()
const insert = ref<string | null>(null)

const first = computed(() => props.rows[0]?.channel)
const ids = computed(() => props.rows.map((r) => r.channel.id))
const strips = computed(() => shelf.ofKind('strip').map((item) => ({ value: item.id, text: item.name })))
const chains = computed(() => shelf.ofKind('chain').map((item) => ({ value: item.id, text: item.name })))
const patterns = computed(() =>
  (first.value?.inserts ?? []).map((i) => ({
    value: i.id,
    text: i.device?.name ?? catalogue.processors.get(i.processor)?.name ?? i.processor,
  })),
)
const fields = computed(() => {
  const chosen = first.value?.inserts.find((i) => i.id === insert.value)
  const known = catalogue.processors.get(chosen?.processor ?? '')?.parameters ?? []
  return [{ value: '', text: 'all of its fields' }, ...known.map((p) => ({ value: p.id, text: p.name }))]
})
onMounted(() => shelf.look().catch((error) => (trouble.value = sentenceOf(error))))

async function lay(item: string) {
  trouble.value = undefined
  try {
    const taken = await shelf.taking(document.head!.id, item, ids.value.join(' '))
    await document.edit(taken.edits)
  } catch (error) {
    trouble.value = sentenceOf(error)
  }
}

/** What all of them can be moved by together. */
const common = computed(() => {
  const sends = props.rows.map((r) => new Set(r.channel.sends.map((s) => s.to as string)))
  const shared = [...(sends[0] ?? [])].filter((to) => sends.every((s) => s.has(to)))
  return [
    { value: 'level', text: 'their levels' },
    { value: 'pan', text: 'their pans' },
    ...shared.map((to) => ({
      value: `send ${to}`,
      text: `their sends to ${document.rows.get(to)?.channel.name ?? to}`,
    })),
  ]
})

/** One lever over all of them, from where each stands: levels and sends down to silence or up from it, pans from side to side. */
async function lever(what: string) {
  const ranges = await Promise.all(
    props.rows.map(async ({ channel }) => {
      const movable = await movableOn(document.head!.id, channel.id)
      const [kind, to] = what.split(' ')
      const value = movable.find((v) =>
        kind === 'level' ? v.movesTheLevel : v.target.type === kind && (v.target.type !== 'send' || v.target.to === to),
      )
      return (
        value && {
          channel: channel.id,
          target: value.target,
          from: value.min,
          to: value.stored != null && value.stored > value.min ? value.stored : value.max,
        }
      )
    }),
  )
  const found = ranges.filter((r) => r !== undefined)
  const made = newLever(document.head?.levers ?? [], found, 1)
  if (await document.edit([{ type: 'put-lever', lever: made }]))
    told.value = `${made.name} is among what moves, standing where everything was.`
}

/** How inserts of that kind can stand on all of them. */
const standings = computed(() => [
  ...(document.head?.acts ?? []).flatMap((act) => [
    { value: `live ${act.id}`, text: `live in ${act.name}` },
    { value: `parked ${act.id}`, text: `parked in ${act.name}` },
  ]),
  { value: 'parked', text: 'off everywhere' },
  { value: 'live', text: 'on again' },
])

function stand(how: string) {
  if (!first.value || !insert.value) return
  const [state, act] = how.split(' ')
  const about = { channels: ids.value, from: first.value.id, insert: insert.value }
  void document.edit([{ type: 'stand-alike', ...about, act: act ?? null, live: state === 'live' }])
}

function alike(field: string) {
  if (!first.value || !insert.value) return
  void document.edit([
    { type: 'set-alike', channels: ids.value, from: first.value.id, insert: insert.value, parameter: field || null },
  ])
}
</script>

<template>
  <dl v-if="strips.length || chains.length || rows.length > 1 || trouble" class="facts">
    <template v-if="strips.length">
      <dt>Strip</dt>
      <dd>
        <Picker
          label="Lay a strip of the shelf"
          :choices="strips"
          :value="null"
          empty="lay one of the shelf…"
          @choose="lay"
        />
      </dd>
    </template>
    <template v-if="chains.length">
      <dt>Chain</dt>
      <dd>
        <Picker label="Put a chain of the shelf in" :choices="chains" :value="null" empty="put one in…" @choose="lay" />
      </dd>
    </template>
    <template v-if="rows.length > 1 && patterns.length">
      <dt>Set alike</dt>
      <dd class="value">
        <Picker
          :label="`Insert of ${first?.name}`"
          :choices="patterns"
          :value="insert"
          :empty="`as on ${first?.name}…`"
          @choose="insert = $event"
        />
        <Picker
          v-if="insert"
          label="Live or parked"
          :choices="standings"
          :value="null"
          empty="live or parked…"
          @choose="stand"
        />
        <Picker v-if="insert" label="Which field" :choices="fields" :value="null" empty="which…" @choose="alike" />
      </dd>
    </template>
    <template v-if="rows.length > 1">
      <dt>Lever</dt>
      <dd>
        <Picker label="One lever over" :choices="common" :value="null" empty="one over…" @choose="lever" />
        <p v-if="told" class="faint" role="status">{{ told }}</p>
      </dd>
    </template>
    <template v-if="trouble"
      ><dt />
      <dd class="trouble" role="alert">{{ trouble }}</dd></template
    >
  </dl>
</template>

<style scoped src="../views/order/facts.css"></style>
<style scoped>
.facts {
  margin-bottom: 8px;
}

.trouble {
  color: var(--blocker);
}
</style>
