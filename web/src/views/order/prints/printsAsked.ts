import { ref } from 'vue'

/** The channels for which prints were asked for; the dialog opens with them. Undefined while it is closed. */
export const printsAsked = ref<readonly string[]>()
