import { ref } from 'vue'

/** The channel whose name is being written in its row: the person asked for it, or it was just made without one. */
export const renaming = ref<string>()
