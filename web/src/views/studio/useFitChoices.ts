import { computed, reactive } from 'vue'
import type { Edit, FitLine } from '@/api/types'
import { useStudio } from '@/state/studio'

export type FitChoices = ReturnType<typeof useFitChoices>

/** What a person has chosen for each line of a proposed patching; what nobody touched is as it is proposed. */
export function useFitChoices() {
  const studio = useStudio()
  const chosen = reactive(new Map<string, number>())
  const left = reactive(new Set<string>())

  const choiceOf = (line: FitLine) => Math.min(chosen.get(line.key) ?? line.proposed, line.choices.length - 1)
  const editsOf = (line: FitLine) => line.choices[choiceOf(line)]?.edits ?? []
  const isTaken = (line: FitLine) => !left.has(line.key)

  /** The lines that would change something. */
  const changing = computed(() => studio.fit?.lines.filter((line) => editsOf(line).length > 0) ?? [])
  const edits = computed<Edit[]>(() => changing.value.filter(isTaken).flatMap(editsOf))

  function turn(line: FitLine) {
    if (!left.delete(line.key)) left.add(line.key)
  }

  function reset() {
    chosen.clear()
    left.clear()
  }

  return {
    choiceOf,
    isTaken,
    turn,
    changing,
    edits,
    reset,
    choose: (line: FitLine, choice: number) => void chosen.set(line.key, choice),
    wordsOf: (line: FitLine) => line.choices[choiceOf(line)]?.words ?? [],
  }
}
