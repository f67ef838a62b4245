import { useEventListener } from '@vueuse/core'
import { onScopeDispose } from 'vue'

let home: (() => void) | undefined

/** Says where the keys go once a control is done with them: to a row, a band. */
export function useHome(take: () => void) {
  home = take
  onScopeDispose(() => {
    if (home === take) home = undefined
  })
}

/** What was used with the mouse where no row waits for the keys: it has the focus still, and the place has the keys. */
let done: Element | undefined

/** Gives the keys back to the place. */
export function goHome() {
  if (home) return home()
  const { activeElement } = document
  // A list that is found through takes its keys before anybody is asked; a slider that was drawn is moved on by the arrows.
  if (activeElement instanceof HTMLElement && activeElement.role === 'combobox') activeElement.blur()
  else if (!activeElement?.matches('[type=range]')) done = activeElement ?? undefined
}

/** Whether nobody means a control by a key, though it has the focus. */
export function isDone(control: Element): boolean {
  return control === done
}

/** A press opened something, or what was pressed plays by the keys: they stay there. */
const keepsKeys = '[role=dialog], [role=grid], [role=treegrid], [data-keeps-keys], [aria-expanded], [aria-haspopup]'

/**
 * Whoever chose from a list, chose a file, ticked a box or pressed a button with the mouse is done with it; by keys one
 * may still want the next entry.
 */
export function useHomecoming() {
  let pointed = false
  useEventListener(window, 'focusout', () => (done = undefined))
  useEventListener(window, 'pointerdown', () => (pointed = true), { capture: true })
  useEventListener(window, 'keydown', () => (pointed = false), { capture: true })
  /** Both are looked at before anybody acts on them: what was pressed in a dialog may be gone from it afterwards. */
  const early = { capture: true }
  useEventListener(
    window,
    'change',
    (event: Event) => {
      const target = event.target as HTMLElement
      const isChoice =
        target instanceof HTMLSelectElement ||
        (target instanceof HTMLInputElement && /^(checkbox|radio|range|file)$/.test(target.type))
      if (pointed && isChoice && !target.closest('[role=dialog]')) setTimeout(goHome)
    },
    early,
  )
  useEventListener(
    window,
    'click',
    (event: MouseEvent) => {
      const button = (event.target as HTMLElement).closest('button')
      // A key presses a button without a count of clicks.
      if (!button || event.detail === 0 || button.closest(keepsKeys)) return
      setTimeout(() => {
        const { activeElement, body } = document
        if (activeElement === button || activeElement === body) goHome()
      })
    },
    early,
  )
}
