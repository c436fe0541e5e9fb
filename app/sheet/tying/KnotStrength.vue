<script setup lang="ts">
import { UButton } from '#components'
import { computed, onMounted, ref } from 'vue'
import { knotKeeps, LINE_STOCKS, type KnotId, type LineKind } from '#core'
import { LINE_RANGE_N, MOST_BREAKS } from '#schemas/ranges'
import { KNOT_WORDS } from '#words/tyingWords'
import { fromTo, withUnit } from '#words/units'
import { BASIS_MARKS } from '#words/words'
import { useKnotTests } from '~/sync/documents'
import NumberField from '~/ui/NumberField.vue'
import { useSettings } from '~/ui/settings'

/** What a knot keeps of the line's strength: typical, until it was broken on the angler's own scale. */
const props = defineProps<{ knot: KnotId; line: LineKind; ratedN: number }>()
const settings = useSettings()
const tests = useKnotTests()
onMounted(() => {
  if (!tests.loaded) void tests.load()
})
const strength = computed(() => settings.units.lineStrength)
const all = computed(() => tests.list.map(({ content }) => content))
const keeps = computed(() => knotKeeps(props.knot, props.line, all.value))
/** Breaks of this knot in this line of this strength. */
const mine = computed(() =>
  tests.list.find(
    ({ content: { knot, line, ratedN } }) =>
      knot === props.knot && line === props.line && Math.abs(ratedN - props.ratedN) < 0.05,
  ),
)
const brokeN = ref(0.8 * props.ratedN)
async function add(): Promise<void> {
  const broke = [...(mine.value?.content.brokeN ?? []), brokeN.value]
  const content = { knot: props.knot, line: props.line, ratedN: props.ratedN, brokeN: broke }
  if (mine.value) await tests.change(mine.value, mine.value.name, content)
  else await tests.add(KNOT_WORDS[props.knot].name, content)
}
const takeOut = (at: number): Promise<unknown> =>
  tests.change(mine.value!, mine.value!.name, {
    ...mine.value!.content,
    brokeN: mine.value!.content.brokeN.filter((_, i) => i !== at),
  })
</script>

<template>
  <section class="strength" aria-label="Strength">
    <p>
      <span class="label">keeps in {{ LINE_STOCKS[line].name }}</span>
      <b class="figure">{{ Math.round(100 * keeps.value) }} %</b>
      ({{ fromTo(100 * keeps.low, 100 * keeps.high) }})
      {{ keeps.basis === 'measured' ? `${BASIS_MARKS.measured} by your breaks` : 'typical, assumed' }}
    </p>
    <p class="add">
      <span class="label"
        >Break one of {{ withUnit(ratedN, strength) }} {{ LINE_STOCKS[line].name }} on your scale, eyewear
        on</span
      >
      <NumberField
        v-model="brokeN"
        label="it broke at"
        :unit="strength"
        :range="[0.5, LINE_RANGE_N[1]]"
        :step="1"
      />
      <UButton :disabled="tests.busy || (mine?.content.brokeN.length ?? 0) >= MOST_BREAKS" @click="add()"
        >Add</UButton
      >
    </p>
    <ul v-if="mine && mine.content.brokeN.length > 0" aria-label="Your breaks">
      <li v-for="(n, i) in mine.content.brokeN" :key="i">
        <span class="figure">{{ withUnit(n, strength) }}</span>
        <UButton
          icon="i-lucide-x"
          variant="ghost"
          :aria-label="`Take out the break at ${withUnit(n, strength)}`"
          @click="takeOut(i)"
        />
      </li>
    </ul>
    <p v-if="tests.error" class="bad" role="alert">{{ tests.error }}</p>
  </section>
</template>

<style scoped>
.strength {
  padding: 6px 0;
  border-block: 1px solid var(--hair);
}
b {
  margin-left: 6px;
  font-size: 22px;
}
.add,
ul {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 12px;
  align-items: center;
}
li {
  display: inline-flex;
  align-items: center;
}
.bad {
  color: var(--wrack);
}
</style>
