<script setup lang="ts">
import { UButton, UPopover } from '#components'
import { GLOSSARY, type TermId } from '#words/glossary'

/** A term that tells what it means when it is pressed; its own name unless another text stands in it. */
defineProps<{ term: TermId }>()
</script>

<template>
  <UPopover :content="{ side: 'top', align: 'start' }">
    <UButton variant="link" class="term"
      ><slot>{{ GLOSSARY[term].name }}</slot></UButton
    >
    <template #content>
      <p class="meaning">
        <b>{{ GLOSSARY[term].name }}</b> {{ GLOSSARY[term].text }}
      </p>
    </template>
  </UPopover>
</template>

<style scoped>
.term {
  color: inherit;
  font: inherit;
  letter-spacing: inherit;
  text-decoration: underline dotted 1px;
  text-underline-offset: 3px;
}
.meaning {
  max-width: 300px;
  padding: 10px 14px;
  font-size: 15px;
  line-height: 1.35;
}
</style>
