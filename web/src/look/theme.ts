import { useStorage } from '@vueuse/core'
import { watchEffect } from 'vue'

/** "night" is the lamplit stage, "day" the printed bill. */
const theme = useStorage<'night' | 'day'>('home-stage-theme', 'night')

export function useTheme() {
  watchEffect(() => document.documentElement.classList.toggle('night', theme.value === 'night'))
  return { theme, turn: () => (theme.value = theme.value === 'night' ? 'day' : 'night') }
}
