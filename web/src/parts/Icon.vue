<script setup lang="ts">
const paths = {
  library: 'M4 3.5h9l3 3v10H4zM7 9h6M7 12h4',
  order: 'M4 5h12M7 10h9M7 15h9M4 5v10',
  songs: 'M8 15V5l8-1.5V13M8 15a2 2 0 1 1-4 0a2 2 0 0 1 4 0M16 13a2 2 0 1 1-4 0a2 2 0 0 1 4 0',
  outputs: 'M3 5c6 0 8 2 14 2M3 10h14M3 15c6 0 8-2 14-2',
  strip: 'M2 12c3 0 3-6 6-6s3 8 6 8 2-4 4-4',
  ducking: 'M2 5h3l2 10c4-1 5-10 11-10M2 17h16',
  sends: 'M3 5h8M3 10h8M3 15h8M14 3v14M14 7h3M14 13h3',
  movement: 'M3 15l4-1 4-8 3 3 3-6M3 17h14',
  shelf: 'M3 9h14M3 16h14M5 9V4h3v5M10 9l1-5 3 1-1 4M6 16v-4h5v4',
  studio: 'M3 5h14v10H3zM6 8h2M6 12h2M12 8.5a1.5 1.5 0 1 1 0 3a1.5 1.5 0 1 1 0-3',
  undo: 'M4 8h8a4 4 0 0 1 0 8H8M4 8l4-4M4 8l4 4',
  redo: 'M16 8H8a4 4 0 0 0 0 8h4M16 8l-4-4M16 8l-4 4',
  lamp: 'M10 3v3M7 17h6M8 14h4l2-5a4 4 0 0 0-8 0z',
  plus: 'M10 4v12M4 10h12',
  close: 'M5 5l10 10M15 5L5 15',
  up: 'M10 15V5M6 9l4-4 4 4',
  down: 'M10 5v10M6 11l4 4 4-4',
  fold: 'M6 8l4 4 4-4',
  unfold: 'M8 6l4 4-4 4',
  loop: 'M5 9V8a3 3 0 0 1 3-3h7M12 2l3 3-3 3M15 11v1a3 3 0 0 1-3 3H5M8 18l-3-3 3-3',
  note: 'M5 4h10v8l-4 4H5z',
  pads: 'M3 4h6v5H3zM11 4h6v5h-6zM3 11h6v5H3zM11 11h6v5h-6z',
  file: 'M10 13V4M6 8l4-4 4 4M4 16h12',
} as const
defineProps<{ name: keyof typeof paths; size?: number }>()
</script>

<template>
  <svg
    :width="size ?? 20"
    :height="size ?? 20"
    viewBox="0 0 20 20"
    fill="none"
    stroke="currentColor"
    stroke-width="1.5"
    stroke-linecap="round"
    stroke-linejoin="round"
    aria-hidden="true"
  >
    <path :d="paths[name]" />
  </svg>
</template>
