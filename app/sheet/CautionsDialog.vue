<script setup lang="ts">
import TermsDialog from './TermsDialog.vue'
/** The field's usual cautions for what this sheet leads to: tying on, casting, and wading in. */
const open = defineModel<boolean>('open', { required: true })
const CAUTIONS = [
  [
    'Hooks',
    'Wear eyewear when casting and when pulling on a snag. Keep fingers off the line of the point when a bait is rigged; pliers, not fingers, take a hook out. Flattened barbs come out more easily, of fish and of people.',
  ],
  [
    'Lead',
    'Wash hands after handling, keep it from mouths and from children. Many waters restrict or forbid it: tungsten, tin, bismuth and steel are offered for every weight here.',
  ],
  [
    'Snags',
    'Never pull a rod straight at a held hook: turn away, wrap the line on a stick or a glove, and pull by hand. Take line and plastics home.',
  ],
  [
    'Water',
    'Wade with a belt and a float, know the tide, leave the water when thunder is heard, and dress for the water and not the air.',
  ],
  [
    'Rules',
    'Licences, seasons, sizes, and rules on hooks and weights differ from water to water. Local rules and the people licensed to teach come before anything said here.',
  ],
] as const
</script>

<template>
  <TermsDialog v-model:open="open" title="Cautions" :terms="CAUTIONS" />
</template>
