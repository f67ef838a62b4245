<script setup lang="ts">
import { computed, ref } from 'vue'
import ChainControlLine from './ChainControlLine.vue'
import { keyOf, mostControls, newControl, valuesIn } from './chains'
import { useInsertTitles } from './useInsertTitles'
import type { Chain, ChainControl, Channel, Insert, ShelfPart } from '@/api/types'
import KeepOnShelf from '@/parts/KeepOnShelf.vue'
import TextField from '@/parts/TextField.vue'
import { useDocument } from '@/state/document'
import { useTurns } from '@/state/useTurns'
import { useTakeOut } from '@/state/useTakeOut'

/** The chains of a strip: each with its controls, what they move, and the ways to the shelf and apart. */
const props = defineProps<{ channel: Channel }>()
const document = useDocument()
const turns = useTurns()
const takeOut = useTakeOut()
const { titleOf, parametersOf } = useInsertTitles()
const keeping = ref(false)
const part = ref<ShelfPart>()
/** The control whose moves are shown, as "chain/control". */
const opened = ref<string>()

const byHand = computed(() => new Set(document.rows.get(props.channel.id)?.turnedByHand ?? []))
const members = (chain: Chain) => props.channel.inserts.filter((i) => chain.inserts.includes(i.id))
const titled = (insert: Insert) => titleOf(props.channel, insert)
const isParked = (chain: Chain) => members(chain).every((i) => i.parkedIn.includes(document.act))
/** A value is moved by one control of its chain. */
const freeValues = (chain: Chain) => {
  const moved = new Set(chain.controls.flatMap((c) => c.moves.map(keyOf)))
  return valuesIn(props.channel, chain, titled, parametersOf).filter((v) => !moved.has(v.key))
}

function put({ id }: Chain, change: (now: Chain) => Partial<Chain>) {
  const channel = props.channel.id
  return document.edit(() => {
    const now = document.rows.get(channel)?.channel.chains.find((c) => c.id === id)
    return now ? [{ type: 'put-chain', channel, chain: { ...now, ...change(now) } }] : []
  }, channel)
}

function change(chain: Chain, id: string, part: (now: ChainControl) => Partial<ChainControl>) {
  void put(chain, ({ controls }) => ({ controls: controls.map((c) => (c.id === id ? { ...c, ...part(c) } : c)) }))
}

function turn(chain: Chain, control: string, position: number) {
  void document.edit(
    [{ type: 'turn-chain', channel: props.channel.id, chain: chain.id, control, position }],
    props.channel.id,
  )
}

async function add(chain: Chain) {
  let made: ChainControl | undefined
  const isPut = await put(chain, (now) => {
    made = newControl(now)
    return { controls: [...now.controls, made] }
  })
  if (isPut && made) opened.value = `${chain.id}/${made.id}`
}

/** All of it is live or parked in this act, in one gesture. */
function park(chain: Chain) {
  const inserts = members(chain).map(({ id }) => id)
  void turns.park(props.channel.id, inserts, document.act)
}

/** With its inserts. */
const takeAway = (chain: Chain) =>
  takeOut(
    props.channel.id,
    members(chain).map((i) => i.id),
    [{ type: 'remove-chain', channel: props.channel.id, chain: chain.id }],
  )

function keep(chain: Chain) {
  if (!document.head) return
  part.value = { document: document.head.id, kind: 'chain', place: `${props.channel.id}/${chain.id}`, name: chain.name }
  keeping.value = true
}
</script>

<template>
  <section v-if="channel.chains.length" class="chains" aria-label="Chains">
    <article v-for="chain in channel.chains" :key="chain.id" class="chain" :aria-label="`Chain ${chain.name}`">
      <header>
        <TextField
          class="name"
          aria-label="Name of the chain"
          maxlength="40"
          :value="chain.name"
          @keydown.stop
          @change="(name) => name && put(chain, () => ({ name }))"
        />
        <span class="quiet of">{{ members(chain).map(titled).join(' → ') || 'nothing that is there' }}</span>
        <button
          type="button"
          class="plain bare"
          :class="{ on: isParked(chain) }"
          :aria-pressed="isParked(chain)"
          title="All of it live or parked in this act"
          @click="park(chain)"
        >
          Park
        </button>
        <button type="button" class="plain bare" @click="keep(chain)">Keep on the shelf…</button>
        <button
          type="button"
          class="plain bare"
          title="Its inserts stay as they are"
          @click="document.edit([{ type: 'remove-chain', channel: channel.id, chain: chain.id }], channel.id)"
        >
          Take apart
        </button>
        <button type="button" class="plain bare" title="With its inserts" @click="takeAway(chain)">Take it out</button>
      </header>
      <div class="controls">
        <ChainControlLine
          v-for="control in chain.controls"
          :key="control.id"
          :chain="chain.name"
          :control="control"
          :values="valuesIn(channel, chain, titled, parametersOf)"
          :free="freeValues(chain)"
          :by-hand="byHand.has(`${chain.id}/${control.id}`)"
          :open="opened === `${chain.id}/${control.id}`"
          @toggle="opened = opened === `${chain.id}/${control.id}` ? undefined : `${chain.id}/${control.id}`"
          @turn="turn(chain, control.id, $event)"
          @change="change(chain, control.id, $event)"
          @remove="put(chain, (now) => ({ controls: now.controls.filter((c) => c.id !== control.id) }))"
        />
        <button v-if="chain.controls.length < mostControls" type="button" class="plain" @click="add(chain)">
          Add a control
        </button>
      </div>
    </article>
    <KeepOnShelf v-model:open="keeping" :part="part" />
  </section>
</template>

<style scoped>
.chains {
  margin-bottom: 12px;
}

.chain {
  border: 1px solid var(--line-soft);
  border-radius: 8px;
  padding: 8px 12px;
  margin-bottom: 8px;
}

header {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 4px 10px;
}

.name {
  width: 150px;
}

.of {
  flex: 1;
  min-width: 140px;
}

.controls {
  display: flex;
  flex-wrap: wrap;
  align-items: flex-start;
  gap: 8px 18px;
  margin-top: 8px;
}
</style>
