<template>
  <header />
  <main class="nothing">
    <h1>Nothing here</h1>
    <p class="quiet">
      No template, song or place has this address. <RouterLink to="/">Back to the library</RouterLink>
    </p>
  </main>
</template>

<style scoped>
.nothing {
  padding: 40px;
}
</style>
