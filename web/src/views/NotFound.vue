<template>
  <header />
  <main class="nothing">
    <h1>An empty stage</h1>
    <p class="quiet">There is nothing at this address. <RouterLink to="/">Back to the library</RouterLink></p>
  </main>
</template>

<style scoped>
.nothing {
  padding: 40px;
}
</style>
