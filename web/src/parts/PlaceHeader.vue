<template>
  <header class="title"><slot /></header>
</template>

<style scoped>
.title {
  display: flex;
  align-items: center;
  gap: 18px;
  padding: 0 18px;
  border-bottom: 1px solid var(--line-soft);
  min-width: 0;
}

@media (max-width: 1440px) {
  .title {
    gap: 9px;
  }
}

@media (max-width: 700px) {
  .title {
    flex-wrap: wrap;
    gap: 8px 14px;
    padding: 10px 14px;
  }
}

.title :slotted(h1) {
  font-size: 23px;
  line-height: 1.2;
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
}
</style>
