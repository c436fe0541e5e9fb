<script setup lang="ts">
import { BASIS_MARKS } from '#words/words'
import TermLabel from '~/ui/TermLabel.vue'
import type { Basis } from '#core'
import type { TermId } from '#words/glossary'

/** One measure of one rig: the number first, its unit and a note beside it, a small picture to the right. */
defineProps<{
  term: TermId
  value: string
  unit: string
  note: string
  basis: Basis
  hint?: string
  /** the picture is no higher than the number, and the note goes on under it */ flat?: boolean
}>()
</script>

<template>
  <div class="row" :class="{ flat }" :title="hint">
    <span class="label name"><TermLabel :term="term" /></span>
    <span class="number figure"
      ><b>{{ value }}</b> <small>{{ unit }}</small><i class="basis" role="img" :aria-label="basis">{{
        BASIS_MARKS[basis]
      }}</i></span
    >
    <span class="note">{{ note }}</span>
    <span class="picture"><slot /></span>
  </div>
</template>

<style scoped>
.row {
  display: grid;
  grid-template: 'name number picture' auto 'name note picture' auto / 52px minmax(0, 1fr) auto;
  column-gap: 6px;
  align-items: center;
  padding: 1px 10px 2px;
  border-top: var(--line-weight) solid var(--hair);
  min-height: 44px;
}
.flat {
  grid-template-areas: 'name number picture' 'name note note';
}
.name {
  grid-area: name;
  align-self: start;
  padding-top: 5px;
}
.number {
  grid-area: number;
  white-space: nowrap;
  line-height: 1.05;
}
.number b {
  font-size: 23px;
  font-weight: 600;
  letter-spacing: -0.01em;
}
.number small {
  font-size: 13px;
  color: var(--ink-soft);
}
.basis {
  font-style: normal;
  font-size: 10px;
  color: var(--ink-soft);
  margin-left: 3px;
  vertical-align: 6px;
}
.note {
  grid-area: note;
  font-size: 13px;
  color: var(--ink-soft);
  line-height: 1.2;
}
.picture {
  grid-area: picture;
  justify-self: end;
  display: flex;
  justify-content: flex-end;
}
.flat .picture {
  width: 108px;
}
</style>
