import { useEventListener } from '@vueuse/core'
import { isDone } from './home'

/** One thing that a place does by keys. A place's list of these is its keymap and its help alike. */
export interface Shortcut<Act extends string = string> {
  act: Act
  /** As {@link chordOf} writes them; none for what a part of the place does by itself. */
  chords: string[]
  /** For people. */
  keys: string
  does: string
}

/** What is the same in every place that shows a document. */
export const documentShortcuts = [
  { act: 'undo', chords: ['ctrl+z'], keys: 'Ctrl Z', does: 'undo' },
  { act: 'redo', chords: ['ctrl+shift+z', 'ctrl+y'], keys: 'Ctrl Shift Z', does: 'redo' },
  { act: 'play', chords: [' '], keys: 'Space', does: 'play or stop' },
  { act: 'explain', chords: ['?'], keys: '?', does: 'these shortcuts' },
] as const satisfies readonly Shortcut[]

export type DocumentAct = (typeof documentShortcuts)[number]['act']

/** "ctrl+shift+z", "alt+ArrowUp", "?": the key with what is held; Shift counts where it does not only make another character. */
export function chordOf(event: KeyboardEvent): string {
  const control = event.ctrlKey || event.metaKey
  const shift = event.shiftKey && (event.key.length > 1 || control || event.altKey)
  const key = event.key.length === 1 && !event.shiftKey ? event.key : event.key.length === 1 && control ? event.key.toLowerCase() : event.key // prettier-ignore
  return [control && 'ctrl', event.altKey && 'alt', shift && 'shift', key].filter(Boolean).join('+')
}

/** The act that a key stands for in a keymap. */
export function actOf<Act extends string>(map: readonly Shortcut<Act>[], event: KeyboardEvent): Act | undefined {
  const chord = chordOf(event)
  return map.find((shortcut) => shortcut.chords.includes(chord))?.act
}

/** Whether a key is meant for the control that has the focus and not for the place around it. */
export function isForControl(event: KeyboardEvent): boolean {
  const target = event.target as HTMLElement
  if (window.document.querySelector('[role=dialog]')) return true
  if (isDone(target)) return false
  if (target instanceof HTMLTextAreaElement || target.isContentEditable) return true
  const held = event.ctrlKey || event.metaKey
  if (target instanceof HTMLInputElement) {
    if (!/^(checkbox|radio|range|button|file)$/.test(target.type)) return true
    return !held && (event.key === ' ' || event.key === 'Enter' || event.key.startsWith('Arrow'))
  }
  // A list takes letters to find an entry by.
  if (target instanceof HTMLSelectElement || target.role === 'combobox') return !held && event.key !== '?'
  return target instanceof HTMLButtonElement && (event.key === ' ' || event.key === 'Enter')
}

/** Runs a place's keymap for keys that no control wants. */
export function useKeymap<Act extends string>(
  map: readonly Shortcut<Act>[],
  does: Partial<Record<Act, () => unknown>>,
) {
  useEventListener(window, 'keydown', (event: KeyboardEvent) => {
    if (event.defaultPrevented || isForControl(event)) return
    const act = actOf(map, event)
    const run = act && does[act]
    if (!run) return
    event.preventDefault()
    void run()
  })
}
