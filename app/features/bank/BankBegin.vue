<script setup lang="ts">
import { UButton, UInput } from '#components'
import { computed, onMounted, ref, shallowRef } from 'vue'
import type { SpreadSummary } from '#schemas/spread'
import type { StoredDocument } from '#schemas/spot'
import { useSpread } from '~/sheet/spread'
import { useSpreads } from '~/sheet/useSpreads'
import { useSpots, useTrips } from '~/sync/documents'
import { failureText } from '#words/failureText'
import { FAMILIES } from '#core'
import { useSettings } from '~/ui/settings'
import { weightText, withUnit } from '#words/units'
import { fromSheet, fromTrip, type BankStart } from './bankStart'
import { summaryOf } from './bankSummary'
import type { Bank } from './useBank'

/** What a session begins with: the sheet as it stands, the rods of a trip, a saved spread; or the last one again. */
const props = defineProps<{ ended: Bank | undefined; problem: string | undefined }>()
const emit = defineEmits<{ begin: [what: BankStart]; reopen: [] }>()
const settings = useSettings()
const spread = useSpread()
const server = useSpreads()
const trips = useTrips()
const spots = useSpots()
const saved = shallowRef<readonly SpreadSummary[]>([])
const failed = ref<string>()
const place = ref('')
onMounted(async () => {
  await Promise.all([
    trips.load(),
    spots.load(),
    server.list().then(
      list => void (saved.value = list),
      (error: unknown) => void (failed.value = failureText(error)),
    ),
  ])
})
const planned = computed(() => trips.list.filter(t => t.content.tied))
const sheet = computed(() => {
  const { lanes, water } = spread.content
  const rigs = lanes.map(
    ({ letter, family, hookSize, weightKg }) =>
      `${letter} ${FAMILIES[family].shortName} ${hookSize}${weightKg > 0 ? `, ${weightText(weightKg, settings.system)}` : ''}`,
  )
  return `${rigs.join('; ')}; ${withUnit(water.depthM, settings.units.depth)} at ${water.place || 'a place without a name'}`
})
const named = ({ stops: [first, ...rest], ...start }: BankStart): BankStart => ({
  ...start,
  stops: [place.value.trim() === '' ? first! : { ...first!, place: place.value.trim() }, ...rest],
})
async function begin(what: () => BankStart | Promise<BankStart>): Promise<void> {
  try {
    emit('begin', named(await what()))
    failed.value = undefined
  } catch (error) {
    failed.value = failureText(error)
  }
}
const onTrip = (trip: StoredDocument<'trip'>): BankStart => fromTrip(trip, spots.byId)
const onSpread = async ({ id }: SpreadSummary): Promise<BankStart> =>
  fromSheet((await server.read(id)).content)
const last = computed(() => {
  if (!props.ended) return undefined
  const { places, all } = summaryOf(props.ended.log)
  return `${places.join(', ') || 'somewhere'}, ${all.cast ?? 0} casts`
})
</script>

<template>
  <section class="begin" aria-label="Begin">
    <h1>Begin a session</h1>
    <p v-if="problem ?? failed" class="bad" role="alert">{{ problem ?? failed }}</p>
    <label class="place"
      >where, if it has another name today<UInput
        v-model="place"
        maxlength="80"
        size="xl"
        placeholder="as planned"
    /></label>
    <UButton variant="solid" class="big" @click="begin(() => fromSheet(spread.content))">
      With the rigs on the sheet
    </UButton>
    <p class="label" data-own>{{ sheet }}</p>
    <UButton v-if="last" variant="ghost" class="big" @click="emit('reopen')">
      Open the last one again <small data-own>{{ last }}</small>
    </UButton>
    <template v-if="planned.length > 0"
      ><h2>The rods of a trip</h2>
      <UButton v-for="t in planned" :key="t.id" variant="ghost" class="big" @click="begin(() => onTrip(t))">
        {{ t.name }}
      </UButton></template
    >
    <template v-if="saved.length > 0"
      ><h2>A saved spread</h2>
      <UButton v-for="s in saved" :key="s.id" variant="ghost" class="big" @click="begin(() => onSpread(s))">
        {{ s.name }}
      </UButton></template
    >
  </section>
</template>

<style scoped>
.place {
  display: grid;
  gap: 2px;
  font-size: 16px;
  color: var(--ink-soft);
}
.place :deep(input) {
  height: 56px;
  font-size: 18px;
}
.big {
  min-height: 60px;
  padding: 8px 14px;
  border: 2px solid var(--ink);
  border-radius: 2px;
  font-size: 19px;
  font-weight: 600;
  justify-content: center;
}
.big small {
  font-size: 15px;
  font-weight: 400;
}
h1 {
  font-size: 26px;
  font-weight: 600;
}
h2 {
  font-size: 17px;
  margin-top: 6px;
}
.bad {
  color: var(--wrack);
}
</style>
