import { computed, ref, shallowRef, watch } from 'vue'
import type { Edit, ListeningPoint, NewRender, RenderLead } from '@/api/types'
import { useDocument } from './document'

/** What is listened to: a channel, where on it, over which part of the timeline, in the act that is on. */
export function useListeningTarget() {
  const document = useDocument()
  const point = ref<string | null>(null)
  const where = ref<ListeningPoint>('after-fader')
  const insert = ref<string | null>(null)
  const section = ref<string | null>(null)
  /** What comes before a section: nothing, or the song up to there. */
  const lead = ref<RenderLead>('from-rest')
  /** Whether what the timeline counts is heard with the whole of it. */
  const countedIn = ref(false)
  /** Edits that are heard without being made, and what they are called; of the document as it is. */
  const trying = shallowRef<{ name: string; edits: Edit[] }>()
  const follows = ref(false)
  /** Whether all meters run on every channel. */
  const inFull = ref(false)

  const countIn = computed(() => {
    const count = document.head?.timeline.countIn
    return count && (count.bars > 0 || count.click) ? count : undefined
  })
  const counts = computed(() => countedIn.value && countIn.value !== undefined)
  /** How long what is heard before the first section is, in seconds. */
  const leadSeconds = computed(() => {
    const timeline = document.head?.timeline
    if (!counts.value || !timeline) return 0
    return timeline.sections.find((s) => s.id === section.value)?.countSeconds ?? timeline.countSeconds
  })

  const request = computed<NewRender | undefined>(
    () =>
      document.head && {
        document: document.head.id,
        act: document.act,
        listenTo: point.value,
        section: section.value,
        point: where.value,
        insert: insert.value,
        metersInFull: inFull.value,
        countedIn: counts.value,
        trying: trying.value?.edits ?? null,
        lead: section.value ? lead.value : 'from-rest',
      },
  )
  /** Names what a render would be of, at this revision; a render of another is old. */
  const wanted = computed(() => request.value && [document.head?.revision, JSON.stringify(request.value)].join('/'))
  const pointName = computed(() => (point.value ? (document.rows.get(point.value)?.channel.name ?? 'Main') : 'Main'))
  const title = computed(() =>
    [pointName.value, section.value && document.sectionName(section.value)].filter(Boolean).join(', '),
  )

  /** Another listening point; after its fader unless said otherwise. */
  function listenTo(channel: string | null, place: ListeningPoint = 'after-fader', key: string | null = null) {
    point.value = channel
    where.value = place
    insert.value = key
  }

  /** Back to the whole, as a document opens. */
  function reset() {
    trying.value = undefined
    listenTo(null)
    section.value = document.head?.opening?.loopSection ?? null
  }

  watch(
    () => follows.value && document.selectedId,
    (id) => {
      const row = id ? document.rows.get(id) : undefined
      if (row && document.can(row).sounds) listenTo(row.channel.id)
    },
  )
  // A section that is gone is listened to no more.
  watch(
    () => document.head?.timeline.sections,
    (sections) => {
      if (section.value && sections && !sections.some((s) => s.id === section.value)) section.value = null
    },
  )

  return {
    point,
    where,
    insert,
    section,
    lead,
    countedIn,
    countIn,
    leadSeconds,
    trying,
    follows,
    inFull,
    request,
    wanted,
    pointName,
    title,
    listenTo,
    reset,
  }
}
