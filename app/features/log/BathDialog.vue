<script setup lang="ts">
import { UButton, UForm, UFormField, UInput, UModal } from '#components'
import { computed, reactive, ref, watch } from 'vue'
import { useBaths } from '~/sync/documents'
import { useSettings } from '~/ui/settings'
import FieldRow from '~/ui/FieldRow.vue'
import { choice, choicesOf, number } from '~/ui/fields'
import { useRemoval } from '~/sheet/useRemoval'
import TapClock from './TapClock.vue'
import { gToKg, SALINITY_RANGE_GKG, TEMPERATURE_RANGE_C, WEIGHT_MATERIALS } from '#core'
import { BALL_RANGE_KG, BATH_DEPTH_RANGE_M, BATH_WIDTH_RANGE_M } from '#schemas/ranges'
import { namedSchema, type BathContent, type StoredDocument } from '#schemas/spot'
import { bathWords, readBath } from './bath'
import { PER_MILLE, withUnit } from '#words/units'

/**
 * Baths, buckets and pools to time drops in: measured once, and held against a bare ball whose fall is known.
 */
const open = defineModel<boolean>('open', { required: true })
const where = defineModel<string>('where', { required: true })
const baths = useBaths()
const settings = useSettings()
const materials = choicesOf(WEIGHT_MATERIALS)
const chosen = ref<string>()
watch(
  // opened before the baths have come, one is chosen as they do
  [open, () => baths.list.length > 0],
  ([now], [was]) => {
    if (!now || (was && baths.byId.has(chosen.value ?? ''))) return
    chosen.value = baths.byId.has(where.value) ? where.value : baths.list[0]?.id
  },
  { immediate: true },
)
const one = computed(() => baths.byId.get(chosen.value ?? ''))
const reading = computed(() => {
  if (!one.value) return undefined
  try {
    const read = readBath(one.value.content)
    return { read, sentence: bathWords(one.value.content, read), bad: false }
  } catch {
    return {
      read: undefined,
      sentence: 'Such a ball does not fall freely here: take a smaller or heavier one.',
      bad: true,
    }
  }
})
const set = (change: Partial<BathContent>, name = one.value!.name): Promise<unknown> =>
  baths.change(one.value!, name, { ...one.value!.content, ...change })
const setBall = (change: Partial<BathContent['ball']>): Promise<unknown> =>
  set({ ball: { ...one.value!.content.ball, ...change } })
const measures = computed(() => {
  const { depthM, acrossM, temperatureC, salinityGKg } = one.value!.content
  const { vessel, temperature } = settings.units
  return [
    number('depth of water', depthM, [vessel, BATH_DEPTH_RANGE_M, 0.01], to => set({ depthM: to })),
    number('narrower width', acrossM, [vessel, BATH_WIDTH_RANGE_M, 0.01], to => set({ acrossM: to })),
    number('temperature', temperatureC, [temperature, TEMPERATURE_RANGE_C, 1], to =>
      set({ temperatureC: to }),
    ),
    number('salt', salinityGKg, [PER_MILLE, SALINITY_RANGE_GKG, 1], to => set({ salinityGKg: to })),
  ]
})
const ball = computed(() => {
  const { massKg, material } = one.value!.content.ball
  return [
    number('ball', massKg, [settings.units.scale, BALL_RANGE_KG, 0.0005], to => setBall({ massKg: to })),
    choice('of', material, materials, to => setBall({ material: to })),
  ]
})
const naming = reactive({ name: '' })
watch(one, now => void (naming.name = now?.name ?? ''), { immediate: true })
const rename = (event: Event): void => {
  const { data } = namedSchema.safeParse({ name: (event.target as HTMLInputElement).value })
  if (data) void set({}, data.name)
}
const MOST_TAPS = 40
const keepTap = (seconds: number): void =>
  void setBall({ taps: [...one.value!.content.ball.taps, Number(seconds.toFixed(3))].slice(-MOST_TAPS) })
async function add(): Promise<void> {
  const made = await baths.add('Bucket', {
    depthM: 0.35,
    acrossM: 0.28,
    temperatureC: 15,
    salinityGKg: 0,
    ball: { massKg: gToKg(7), material: 'lead', taps: [] },
  })
  if (made) chosen.value = made.id
}
const remove = useRemoval(baths, () => void (chosen.value = baths.list[0]?.id))
function use({ id }: StoredDocument<'bath'>): void {
  where.value = id
  open.value = false
}
</script>

<template>
  <UModal v-model:open="open" title="Baths and buckets" :ui="{ content: 'max-w-2xl' }">
    <template #body>
      <p v-if="baths.error" class="bad" role="alert">{{ baths.error }}</p>
      <p v-if="baths.list.length === 0" class="label">
        No bath yet. A bucket, a bath or a pool will do: measure its depth of water and its width once.
      </p>
      <p class="acts">
        <UButton v-for="b in baths.list" :key="b.id" :aria-pressed="b.id === chosen" @click="chosen = b.id">
          {{ b.name }}</UButton><UButton icon="i-lucide-plus" :disabled="baths.busy" @click="add()"
          >New bath or bucket</UButton
        >
      </p>
      <template v-if="one">
        <div class="fields">
          <UForm :schema="namedSchema" :state="naming">
            <UFormField name="name" label="name"
              ><UInput v-model="naming.name" @change="rename"
            /></UFormField>
          </UForm>
          <FieldRow :fields="measures" />
        </div>
        <h3>Calibrate <small>a bare ball, no line, let go just under the surface</small></h3>
        <div class="fields">
          <FieldRow :fields="ball" />
        </div>
        <TapClock
          first="Let go"
          second="Knock"
          hint="or the space bar; tap again when it knocks on the bottom"
          :busy="baths.busy"
          listens
          @timed="keepTap"
        />
        <p v-if="reading" class="says" role="status" :class="{ bad: reading.bad }">{{ reading.sentence }}</p>
        <ul v-if="one.content.ball.taps.length > 0" class="taps" aria-label="Taps">
          <li
            v-for="(t, i) in one.content.ball.taps"
            :key="i"
            :class="{ out: reading?.read?.lag.outliers.includes(i) }"
          >
            <span class="figure">{{ t.toFixed(2) }} s</span>
            <UButton
              icon="i-lucide-x"
              variant="ghost"
              :aria-label="`Take away the tap of ${t.toFixed(2)} s`"
              @click="setBall({ taps: one.content.ball.taps.filter((_, k) => k !== i) })"
            />
          </li>
        </ul>
        <p class="acts">
          <UButton variant="solid" @click="use(one)">Drop in this one</UButton
          ><UButton v-if="one.content.ball.taps.length > 0" @click="setBall({ taps: [] })">
            Forget the taps</UButton
          ><UButton @click="remove(one)">Delete</UButton>
        </p>
        <p class="label">
          {{ withUnit(one.content.depthM, settings.units.depth) }} of fall: the deeper the water, the less a
          thumb counts. Drops are worked out as on open water: the walls slow a bait, the more the narrower.
          Lead: wash hands afterwards.
        </p>
      </template>
    </template>
  </UModal>
</template>

<style scoped>
h3 {
  font-size: 16px;
  font-weight: 600;
  margin: 10px 0 2px;
}
h3 small {
  font-size: 13px;
  font-weight: 400;
  color: var(--ink-soft);
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  padding: 4px 0;
}
.fields {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 16px;
  align-items: baseline;
  padding: 4px 0 6px;
}
.says {
  font-size: 16px;
  padding: 8px 0 4px 10px;
  margin-top: 8px;
  border-left: 5px solid var(--float);
}
.bad {
  color: var(--wrack);
}
.taps {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 10px;
  padding: 4px 0;
}
.taps li {
  display: inline-flex;
  gap: 4px;
  align-items: center;
  font-size: 14px;
}
.taps button {
  width: 24px;
  height: 24px;
  display: grid;
  place-items: center;
}
.out span {
  text-decoration: line-through;
  color: var(--ink-soft);
}
</style>
