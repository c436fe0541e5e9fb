<script setup lang="ts">
import { UButton, UIcon } from '#components'
import { useEventListener } from '@vueuse/core'
import { computed, useTemplateRef, watch } from 'vue'
import { assemblyOf, MOST_CROOKED_M } from '#core'
import { useSettings } from '~/ui/settings'
import { useSpread } from '~/sheet/spread'
import TieKey from '~/sheet/tying/TieKey.vue'
import { threadText } from '#words/tyingWords'
import StepPicture from './StepPicture.vue'
import type { Lane } from '#schemas/spread'
import { CARE_WORDS, CROOKED_WORDS, faultText, ruleText, stepText } from '#words/fitWords'
import { smallText } from '#words/units'
import { cardSvg, saveText } from '~/ui/card'
import type { BenchAdvice, BenchLook } from '~/compute/bench'

/** How to rig it, step by step from the computed marks; and the card to print at true size. */
const props = defineProps<{
  advice: BenchAdvice
  look: Extract<BenchLook, { kind: 'rig' }>
  lane: Lane
  busy: boolean
}>()
const emit = defineEmits<{ cautions: [] }>()
const spread = useSpread()
const settings = useSettings()
const guide = computed(() => props.advice.guide)
const steps = computed(() => guide.value.steps.map(step => stepText(step, settings.system)))
const card = computed(() =>
  cardSvg({
    look: props.look,
    guide: guide.value,
    lane: props.lane,
    bait: spread.content.bait,
    system: settings.system,
  }),
)
const assembly = computed(() => assemblyOf(props.lane))
const sheet = useTemplateRef('sheet')
watch(
  [card, sheet],
  () =>
    sheet.value?.replaceChildren(
      new DOMParser().parseFromString(card.value, 'image/svg+xml').documentElement,
    ),
  { immediate: true, flush: 'post' },
)
const save = (): void =>
  saveText(`rigging-card-${props.lane.letter.toLowerCase()}.svg`, card.value, 'image/svg+xml')
// however the print is asked for, it is the card that is printed
useEventListener(window, 'beforeprint', () => document.body.classList.add('printing-card'))
useEventListener(window, 'afterprint', () => document.body.classList.remove('printing-card'))
const print = (): void => window.print()
const unfit = computed(() => props.look.fit.rules.find(r => r.verdict === 'fail'))
</script>

<template>
  <section class="steps" :aria-busy="busy" aria-label="Rigging">
    <div class="head">
      <h2>Rig it straight</h2>
      <span class="label">{{
        advice.straight.spinsAnyway
          ? 'this rig turns however straight it is'
          : advice.straight.withinM === undefined
            ? `keeps straight even when ${smallText(MOST_CROOKED_M, settings.system)} off`
            : `more than ${smallText(advice.straight.withinM, settings.system)} off at the tail and it ${CROOKED_WORDS[advice.straight.then ?? 'spins']}`
      }}</span>
      <span class="grow" />
      <TieKey :rig="lane" :line="spread.content.line.kind" :rated-n="spread.content.line.strengthN" />
      <UButton icon="i-lucide-download" @click="save()">Card as SVG</UButton>
      <UButton icon="i-lucide-printer" @click="print()">Print the card, true size</UButton>
    </div>
    <p v-if="unfit" class="unfit" role="status">
      <UIcon name="i-lucide-x" /> This does not fit, however well it is laid.
      {{ ruleText(unfit, settings.system) }}
    </p>
    <p class="thread">{{ threadText(assembly.parts, settings.system) }}</p>
    <ol>
      <li v-for="(step, i) in steps" :key="step.title">
        <StepPicture
          :look="look"
          :marks="guide.marks.filter(m => step.marks.includes(m.id))"
          :number="i + 1"
        />
        <b>{{ step.title }}</b>
        <p>{{ step.text }}</p>
      </li>
    </ol>
    <div class="notes">
      <div>
        <h3 class="label">what goes wrong</h3>
        <p v-for="one in guide.wrong" :key="one.id">{{ faultText(one, settings.system) }}</p>
      </div>
      <div>
        <h3 class="label">care</h3>
        <p v-for="one in guide.care" :key="one">{{ CARE_WORDS[one] }}</p>
      </div>
      <div>
        <h3 class="label">mind</h3>
        <p>
          Points and blades: keep fingers out of the line of the point, cut away from the hand.
          <UButton variant="link" @click="emit('cautions')">All cautions</UButton>
        </p>
      </div>
    </div>
    <Teleport to="body"><div ref="sheet" class="print-card" /></Teleport>
  </section>
</template>

<style scoped>
.steps {
  border-top: var(--line-weight) solid var(--ink);
  padding: 6px 12px 14px;
}
.head {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 12px;
  align-items: center;
}
h2 {
  font-size: 18px;
  font-weight: 600;
}
.unfit {
  margin: 8px 0 0;
  padding: 6px 10px;
  border-left: 5px solid var(--wrack);
  color: var(--wrack);
  font-size: 16px;
}
.thread {
  margin-top: 6px;
  font-size: 15px;
}
.grow {
  flex: 1;
}
ol {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(190px, 1fr));
  gap: 8px 14px;
  margin: 8px 0;
}
li {
  border-top: 1px solid var(--hair);
  padding-top: 4px;
  font-size: 14px;
  line-height: 1.3;
}
.notes {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(220px, 1fr));
  gap: 6px 18px;
  font-size: 13.5px;
  line-height: 1.3;
}
</style>
