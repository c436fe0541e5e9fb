<script setup lang="ts">
import { UButton } from '#components'
import { clearError } from '#imports'
import { computed } from 'vue'
import type { NuxtError } from '#app'

/** Shown in place of a page where there is none, or where one broke down. */
const props = defineProps<{ error: NuxtError }>()
const missing = computed(() => props.error.statusCode === 404)
</script>

<template>
  <main class="lost">
    <h1 class="mark figure">Dunecrest</h1>
    <h2>{{ missing ? 'There is nothing at this address' : 'This page broke down' }}</h2>
    <p v-if="missing">It may be written wrongly, or what it showed is gone.</p>
    <p v-else>
      What was saved or counted is kept. Open the page again; if it breaks down once more, tell whoever looks
      after this Dunecrest: {{ error.message }}
    </p>
    <UButton variant="solid" @click="clearError({ redirect: '/' })">Go to the sheet</UButton>
  </main>
</template>

<style scoped>
.lost {
  min-height: 100dvh;
  padding: 10vh 24px 24px;
  max-width: 68ch;
  margin: 0 auto;
  font-size: 17px;
}
.mark {
  font-size: 20px;
  font-weight: 700;
}
.lost h2 {
  font-size: 26px;
  margin: 28px 0 8px;
}
.lost p {
  margin-bottom: 20px;
}
</style>
