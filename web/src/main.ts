import '@fontsource-variable/figtree'
import '@fontsource-variable/fraunces/soft.css'
import './look/tokens.css'
import './look/base.css'
import { createPinia } from 'pinia'
import PrimeVue from 'primevue/config'
import ToastService from 'primevue/toastservice'
import { createApp } from 'vue'
import App from './App.vue'
import { houseStyle } from './look/preset'
import { router } from './router'

// The page brings a nonce for the style elements that the component library adds while it runs.
const nonce = document.querySelector<HTMLMetaElement>('meta[name="csp-nonce"]')?.content

createApp(App)
  .use(createPinia())
  .use(router)
  .use(PrimeVue, { theme: { preset: houseStyle, options: { darkModeSelector: '.night' } }, csp: { nonce } })
  .use(ToastService)
  .mount('#app')
