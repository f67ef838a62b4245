import { watch } from 'vue'
import { useDocument } from './document'
import { useNews } from './useNews'
import type { DocumentKind } from '@/api/types'

/** Opens the document of a place, follows the place to another, and hears of what other tabs do to it. */
export function useShown(place: Readonly<{ kind: DocumentKind; id: string }>) {
  const document = useDocument()
  useNews()
  watch(
    () => [place.kind, place.id] as const,
    ([kind, id]) => void document.open(kind, id),
    { immediate: true },
  )
}
