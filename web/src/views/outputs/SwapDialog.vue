<script setup lang="ts">
import Dialog from 'primevue/dialog'
import { computed, ref, useTemplateRef, watch } from 'vue'
import { kitsElsewhere, swapOf, type SwapChoice } from './outputCalls'
import { sentenceOf } from '@/api/client'
import type { Kit, KitElsewhere, KitFile, KitSwap } from '@/api/types'
import { chosenFiles } from '@/files/droppedFiles'
import { kitAmong, kitsAccepted, kitsSaid, leftBeside, sendKit } from '@/files/kitFiles'
import DialogEnds from '@/parts/DialogEnds.vue'
import { useCatalogue } from '@/state/catalogue'
import { useDocument } from '@/state/document'
import { useShelf } from '@/state/shelf'
import { useNewest } from '@/state/useNewest'

/** Another kit on the splits that are there: first what stays, moves, is new and is left empty, then the swap. */
const open = defineModel<boolean>('open', { required: true })
const props = defineProps<{ channel: string }>()
const document = useDocument()
const catalogue = useCatalogue()
const shelf = useShelf()
const file = useTemplateRef('file')
/** Which kit: where it comes from, and its name there. */
const wanted = ref('')
const elsewhere = ref<KitElsewhere[]>([])
const brought = ref<{ name: string; kit: Kit; leftOut: string[] }>()
const { answer, trouble: refused, ask, settled } = useNewest<KitSwap>()
const trouble = ref<string>()
/** What comes of it; nothing where that is refused. */
const swap = computed(() => (refused.value ? undefined : answer.value))

const now = computed(() => {
  const source = document.rows.get(props.channel)?.channel.source
  return source?.type === 'instrument' ? source : undefined
})
const kits = computed(() => catalogue.known.instruments.filter((i) => i.kit && i.id !== now.value?.instrument))
const old = computed(() => {
  const kit = now.value?.kit
  const close = (kit?.pieces ?? []).flatMap((piece) =>
    piece.microphones.map((m) => (m.name ? `${piece.name} ${m.name}` : piece.name)),
  )
  return [...close, ...(kit?.far ?? []).map((far) => far.microphone.name)]
})
const joins = computed(() => swap.value?.pieces.filter((p) => p.reason === 'joins') ?? [])
/** What the person put in place of what, by the new name; null for nothing. */
const said = ref<Record<string, string | null>>({})
const fresh = computed(() => swap.value?.pieces.filter((p) => p.reason === 'new' || p.reason === 'first') ?? [])
const nameOf = (id: string) => document.rows.get(id)?.channel.name ?? id
const list = (names: string[]) => names.join(', ') || 'none'

const shelved = computed(() => shelf.ofKind('kit'))

/** What the server is asked for. */
const choice = computed<SwapChoice | undefined>(() => {
  const [from, id] = [
    wanted.value.slice(0, wanted.value.indexOf(':')),
    wanted.value.slice(wanted.value.indexOf(':') + 1),
  ]
  if (from === 'built-in') return { instrument: id }
  if (from === 'shelf') return { item: id }
  if (from === 'file' && brought.value) return { kit: brought.value.kit }
  const other = elsewhere.value[Number(id)]
  return from === 'elsewhere' && other ? { other: { document: other.document, channel: other.channel } } : undefined
})

watch(open, async (is) => {
  if (!is || !document.head) return
  brought.value = undefined
  wanted.value = kits.value[0] ? `built-in:${kits.value[0].id}` : ''
  await shelf.look().catch(() => undefined)
  elsewhere.value = await kitsElsewhere(document.head.id).catch(() => [])
})
watch(wanted, () => (said.value = {}))
watch([open, choice, said], ([isOpen, kit, choices]) => {
  trouble.value = undefined
  const id = document.head?.id
  void ask(isOpen && kit && id ? () => swapOf(id, props.channel, kit, choices) : undefined)
})

async function bring(field: HTMLInputElement) {
  const chosen = chosenFiles(field.files ?? [])
  field.value = ''
  if (chosen.length === 0 || !document.head) return
  try {
    const address = `/api/documents/${document.head.id}/channels/${props.channel}/kit-file`
    const among = kitAmong(chosen)
    const found = among.kit
    if (!found) throw new Error(`This is no kit. One is ${kitsSaid}.`)
    const { kit, leftOut } = await sendKit<KitFile>(address, found)
    brought.value = { name: found.path, kit, leftOut: [...leftOut, ...leftBeside(among)] }
    wanted.value = `file:${found.path}`
  } catch (error) {
    trouble.value = sentenceOf(error)
  }
}

/** One strip carries one piece: who stood in for the same before is paired anew. */
function put(name: string, inPlaceOf: string) {
  const others = Object.entries(said.value).filter(([, was]) => was === null || was !== inPlaceOf)
  said.value = { ...Object.fromEntries(others), [name]: inPlaceOf || null }
}

async function apply() {
  const seen = await settled()
  if (!seen) return
  if (await document.edit(seen.edits, props.channel)) open.value = false
  else trouble.value = document.refusal?.sentence
}
</script>

<template>
  <Dialog v-model:visible="open" modal header="Swap the kit" :style="{ width: '520px' }">
    <form class="swap" @submit.prevent="apply">
      <div class="from">
        <label>
          <span>Another kit</span>
          <select v-model="wanted" class="field" autofocus>
            <optgroup label="Built in">
              <option v-for="kit in kits" :key="kit.id" :value="`built-in:${kit.id}`">
                {{ kit.name }}, {{ kit.about }}
              </option>
            </optgroup>
            <optgroup v-if="shelved.length" label="On the shelf">
              <option v-for="item in shelved" :key="item.id" :value="`shelf:${item.id}`">
                {{ item.name }}, {{ item.words }}
              </option>
            </optgroup>
            <optgroup v-if="elsewhere.length" label="In other templates">
              <option v-for="(kit, at) in elsewhere" :key="at" :value="`elsewhere:${at}`">
                {{ kit.name }} in {{ kit.documentName }}, {{ kit.pieces }} pieces
              </option>
            </optgroup>
            <optgroup v-if="brought" label="From a file">
              <option :value="`file:${brought.name}`">{{ brought.name }}</option>
            </optgroup>
          </select>
        </label>
        <button type="button" class="plain" @click="file?.click()">From a file…</button>
      </div>
      <input
        ref="file"
        type="file"
        multiple
        :accept="kitsAccepted"
        hidden
        aria-label="The file of a kit to swap to"
        @change="bring($event.target as HTMLInputElement)"
      />
      <div v-if="choice?.kit && brought?.leftOut.length" class="left-out">
        <p>Of {{ brought.name }} this cannot be put in:</p>
        <ul>
          <li v-for="what in brought.leftOut" :key="what">{{ what }}</li>
        </ul>
      </div>
      <div v-if="swap" class="pairs" tabindex="0" role="region" aria-label="What stands in for what">
        <table>
          <thead>
            <tr>
              <th scope="col">New</th>
              <th scope="col">takes the strip of</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="piece in swap.pieces" :key="piece.name">
              <th scope="row">{{ piece.name }}</th>
              <td>
                <select
                  class="field"
                  :aria-label="`${piece.name} takes the strip of`"
                  :value="piece.reason === 'joins' ? '' : (piece.inPlaceOf ?? '')"
                  @change="put(piece.name, ($event.target as HTMLSelectElement).value)"
                >
                  <option value="">
                    {{
                      piece.reason === 'joins'
                        ? `none: joins ${piece.inPlaceOf}`
                        : piece.reason === 'first'
                          ? 'none: goes with the rest'
                          : 'none: gets one of its own'
                    }}
                  </option>
                  <option v-for="name in old" :key="name" :value="name">{{ name }}</option>
                </select>
              </td>
            </tr>
          </tbody>
        </table>
      </div>
      <dl v-if="swap">
        <template v-if="joins.length">
          <dt>Join others</dt>
          <dd>{{ list(joins.map((p) => `${p.name} with ${p.inPlaceOf}`)) }}</dd>
        </template>
        <dt>New</dt>
        <dd>{{ list(fresh.map((p) => (p.reason === 'first' ? `${p.name} with the rest` : p.name))) }}</dd>
        <dt>Left empty</dt>
        <dd>{{ list(swap.empty.map(nameOf)) }}</dd>
        <dt>Gone</dt>
        <dd>{{ list(swap.gone) }}</dd>
        <template v-if="swap.widened.length">
          <dt>Made stereo</dt>
          <dd>{{ list(swap.widened) }}</dd>
        </template>
        <template v-if="swap.narrowed.length">
          <dt>Folded</dt>
          <dd>{{ list(swap.narrowed) }}: stereo, but no jack is left for a second side</dd>
        </template>
        <template v-if="swap.replanned">
          <dt>Planned anew</dt>
          <dd>
            This kit has fewer jacks.
            <template v-if="swap.replanned.shares.length">
              These share: {{ swap.replanned.shares.map((names) => names.join(' + ')).join('; ') }}.
            </template>
            <template v-if="swap.replanned.removed.length">
              These splits go: {{ list(swap.replanned.removed) }}.
            </template>
          </dd>
        </template>
      </dl>
      <p v-if="swap && !swap.replanned" class="quiet">
        Every split keeps its strip, its level, its sends and its output; one that nobody has renamed is called after
        what it carries.
      </p>
      <p v-if="trouble ?? refused" class="trouble" role="alert">{{ trouble ?? refused }}</p>
      <DialogEnds leave="Leave it" keep="Swap" :disabled="!swap" @leave="open = false" />
    </form>
  </Dialog>
</template>

<style scoped>
.swap {
  display: flex;
  flex-direction: column;
  gap: 12px;
}

.from {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 10px;
  align-items: end;
}

.left-out ul {
  max-height: 90px;
  margin: 2px 0 0;
  padding-left: 16px;
  overflow: auto;
  color: var(--text-2);
  overflow-wrap: anywhere;
}

.pairs {
  max-height: 260px;
  overflow: auto;
}

table {
  width: 100%;
  border-collapse: collapse;
}

th {
  font-weight: 400;
  text-align: left;
  white-space: nowrap;
  padding: 2px 14px 2px 0;
}

thead th {
  color: var(--text-2);
}

td .field {
  width: 100%;
  padding: 2px 8px;
}

label {
  display: grid;
  gap: 4px;
}

dl {
  display: grid;
  grid-template-columns: 90px minmax(0, 1fr);
  gap: 6px 10px;
  margin: 0;
}

dt {
  color: var(--text-2);
}

dd {
  margin: 0;
}

p {
  margin: 0;
}

.trouble {
  color: var(--blocker);
}
</style>
