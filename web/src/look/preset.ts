import { definePreset } from '@primeuix/themes'
import Aura from '@primeuix/themes/aura'

const surface = {
  0: '#ffffff',
  50: '#faf5e9',
  100: '#f3ecdc',
  200: '#e9e0cb',
  300: '#cfc4aa',
  400: '#a39d8e',
  500: '#5d6050',
  600: '#2c3a33',
  700: '#243029',
  800: '#1d2823',
  900: '#161f1b',
  950: '#101714',
}

/** The component library in the house's colours: it takes the same custom properties as everything else. */
export const houseStyle = definePreset(Aura, {
  semantic: {
    primary: { 500: '#f2b65a', 400: '#f2b65a', 600: '#c47a12' },
    focusRing: { width: '2px', style: 'solid', color: 'var(--lamp)', offset: '1px' },
    colorScheme: {
      light: {
        surface,
        primary: { color: 'var(--lamp-ground)', contrastColor: 'var(--lamp-ink)', hoverColor: 'var(--lamp-ground)' },
        text: { color: 'var(--text)', mutedColor: 'var(--text-2)' },
        overlay: { modal: { background: 'var(--panel)', borderColor: 'var(--line)', color: 'var(--text)' } },
      },
      dark: {
        surface,
        primary: { color: 'var(--lamp-ground)', contrastColor: 'var(--lamp-ink)', hoverColor: 'var(--lamp-ground)' },
        text: { color: 'var(--text)', mutedColor: 'var(--text-2)' },
        overlay: { modal: { background: 'var(--panel)', borderColor: 'var(--line)', color: 'var(--text)' } },
      },
    },
  },
})
