<script setup lang="ts">
import { computed, toRef } from 'vue'
import BroughtRecordings from './BroughtRecordings.vue'
import OutsideDuckers from './OutsideDuckers.vue'
import OutsideTable from './OutsideTable.vue'
import TestPlan from './TestPlan.vue'
import TickProven from './TickProven.vue'
import { useOutside } from './useOutside'
import type { DocumentKind } from '@/api/types'
import PlaceHeader from '@/parts/PlaceHeader.vue'
import { bpmText } from '@/parts/tempoText'
import { useDocument } from '@/state/document'
import { useShown } from '@/state/useShown'

/** Verifies what was set up by hand elsewhere: the test is played there, what it recorded comes back, and here is said what is wrong. */
const props = defineProps<{ kind: DocumentKind; id: string }>()
const document = useDocument()
useShown(props)
const { plan, answer, doing, progress, trouble, begin, bring, say } = useOutside(toRef(props, 'id'))
const name = computed(() => (document.head?.id === props.id ? document.head.name : undefined))
/** What was edited since the first recording came is not in what they are held against. */
const isBehind = computed(
  () => answer.value && document.head?.id === props.id && document.head.revision !== answer.value.revision,
)
const arrived = computed(() => answer.value?.rows.filter((r) => r.verdict === 'arrived').length ?? 0)
</script>

<template>
  <PlaceHeader>
    <h1>Line check from outside</h1>
    <span class="quiet">{{ name }}</span>
    <span class="gap" />
    <RouterLink class="plain link" :to="`/${kind}s/${id}/call-sheet`">Back to the call sheet</RouterLink>
  </PlaceHeader>
  <div class="sided" :class="{ answered: answer }">
    <main class="work">
      <p v-if="trouble" class="trouble" role="alert">{{ trouble }}</p>
      <p v-if="!answer" class="quiet lead">
        Everything that was patched and set by hand in a workstation is proved by its sound: play the test there, record
        its channels, and bring the files here. They may have any rate, any start and any gain.
      </p>
      <template v-if="answer">
        <p v-if="isBehind" class="behind" role="note">
          {{ name }} has changed since the first recording came; they are held against it as it was then.
          <button type="button" class="plain" @click="begin">Begin again with what it is now</button>
        </p>
        <p class="verdict" :class="answer.findings.length ? 'trouble' : 'proven'" role="status">
          {{
            answer.findings.length
              ? `${answer.findings.length} ${answer.findings.length === 1 ? 'thing is' : 'things are'} wrong.`
              : 'Nothing is wrong with what came back.'
          }}
          <span class="quiet">{{ arrived }} of {{ answer.rows.length }} pads and instruments arrived as here.</span>
        </p>
        <ul v-if="answer.findings.length" class="findings" aria-label="What is wrong">
          <li v-for="finding in answer.findings" :key="finding.words">{{ finding.words }}</li>
        </ul>
        <div class="wide"><OutsideTable :rows="answer.rows" /></div>
        <div v-if="answer.duckers.length" class="wide"><OutsideDuckers :duckers="answer.duckers" /></div>
        <ul class="notes quiet" aria-label="How it was judged">
          <li v-for="note in answer.notes" :key="note">{{ note }}</li>
        </ul>
      </template>
      <TestPlan v-else-if="plan" :plan="plan" />
    </main>
    <aside class="side" aria-label="What to do">
      <ol>
        <li>
          <h2>Play the test</h2>
          <p v-if="plan" class="quiet">
            {{ plan.sources }} pads and instruments<template v-if="plan.duckers">
              and {{ plan.duckers }} {{ plan.duckers === 1 ? 'ducker' : 'duckers' }}</template
            >, {{ Math.ceil(plan.seconds / 6) / 10 }} min at {{ bpmText(plan.tempoBpm) }} BPM. Put it where the song
            begins, with the track names as they are.
          </p>
          <a class="plain link" :href="`/api/documents/${id}/outside-test/midi`" download
            >The test as a Standard MIDI File</a
          >
        </li>
        <li>
          <h2>Bring what was recorded</h2>
          <BroughtRecordings
            :plan="plan"
            :recordings="answer?.recordings ?? []"
            :doing="doing"
            :progress="progress"
            @bring="bring"
            @say="say"
          />
        </li>
        <li v-if="answer">
          <h2>Tick what it proves</h2>
          <TickProven :document="id" :done="answer.done" :work="answer.work" />
        </li>
      </ol>
    </aside>
  </div>
</template>

<style scoped src="../../parts/sidedPage.css"></style>
<style scoped>
.sided {
  grid-template-columns: minmax(0, 1fr) 372px;
}

.lead {
  max-width: 720px;
}

.verdict {
  font-size: 15px;
  margin: 0 0 8px;
}

.verdict .quiet {
  margin-left: 8px;
  font-size: 13px;
}

.behind {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 6px 14px;
  margin: 0 0 10px;
  color: var(--plum);
}

.findings {
  margin: 0 0 16px;
  padding-left: 18px;
  columns: 2 340px;
  column-gap: 28px;
}

.findings li {
  break-inside: avoid;
  padding: 1px 0;
}

.findings li::marker {
  color: var(--blocker);
}

.notes {
  margin: 14px 0 0;
  padding-left: 18px;
}

ol {
  margin: 0;
  padding: 0;
  list-style: none;
  counter-reset: step;
}

ol > li {
  counter-increment: step;
  padding-bottom: 16px;
}

ol h2 {
  font-size: 16px;
  margin: 6px 0 4px;
}

ol h2::before {
  content: counter(step) ' ';
  color: var(--text-3);
}

ol p {
  margin: 0 0 8px;
}

.link {
  text-decoration: none;
}

.trouble {
  color: var(--blocker);
}

.proven {
  color: var(--proven);
}

@media (max-width: 900px) {
  .sided {
    grid-template-columns: minmax(0, 1fr);
  }

  .wide {
    overflow-x: auto;
  }

  .wide > :deep(table) {
    min-width: 620px;
  }

  .side {
    border-left: 0;
  }

  /* What to do comes first until there is an answer. */
  .sided:not(.answered) .side {
    order: -1;
  }
}
</style>
