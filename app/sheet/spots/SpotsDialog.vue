<script setup lang="ts">
import { UButton, UModal } from '#components'
import { useToast } from '#imports'
import { computed, ref } from 'vue'
import { useSpots } from '~/sync/documents'
import { useSettings } from '~/ui/settings'
import { useSpread } from '~/sheet/spread'
import type { FishTaken } from '~/sheet/fish/ownFish'
import { useRemoval } from '../useRemoval'
import SpotForm from './SpotForm.vue'
import type { SpotContent } from '#schemas/spot'
import { BOTTOMS, COVERS, fishOf } from '#core'
import { saveText } from '~/ui/card'
import { spotsFromGpx, spotsToGpx } from '../../../shared/gpx'
import { withUnit } from '#words/units'
import { failureText } from '#words/failureText'
import FilePick from '~/ui/FilePick.vue'

/** Places to fish: a list without a map; from the water on the sheet, from GPX, and back into it. */
const open = defineModel<boolean>('open', { required: true })
const spots = useSpots()
const spread = useSpread()
const settings = useSettings()
const toast = useToast()
const chosen = ref<string>()
const bad = ref<string>()
const one = computed(() => spots.byId.get(chosen.value ?? ''))
async function addFromSheet(): Promise<void> {
  const { place, depthM, cover, bottom, salinityGKg, stream } = spread.content.water
  const { species = 'seaBass', own, prey, clarity = 'clear' } = spread.content.fish ?? {}
  const made = await spots.add(place || 'New spot', {
    water: '',
    depthM,
    cover,
    bottom,
    salinityGKg,
    species,
    ...(own ? { own } : {}),
    clarity,
    ...(prey ? { prey } : {}),
    tide: 0,
    currentMS: stream?.surfaceMS ?? 0,
    notes: '',
  })
  if (made) chosen.value = made.id
}
const remove = useRemoval(spots)
async function read(file: File): Promise<void> {
  try {
    const found = spotsFromGpx(await file.text())
    bad.value = found.length === 0 ? 'There are no way points in this file.' : undefined
    let added = 0
    for (const spot of found) {
      if (!(await spots.add(spot.name, spot.content))) break
      added++
    }
    const all = `${found.length} ${found.length === 1 ? 'spot' : 'spots'}`
    if (added < found.length)
      bad.value = `${added} of ${all} were read in. ${found[added]!.name}: ${spots.error ?? 'it was not taken.'}`
    else if (added > 0) toast.add({ title: `${all} read in` })
  } catch (error) {
    bad.value = failureText(error)
  }
}
const keep = (name: string, content: SpotContent): void => void spots.change(one.value!, name, content)
</script>

<template>
  <UModal v-model:open="open" title="Spots" :ui="{ content: 'max-w-3xl' }">
    <template #body>
      <p v-if="bad ?? spots.error" class="bad" role="alert">{{ bad ?? spots.error }}</p>
      <p class="acts">
        <UButton @click="addFromSheet()">Add the water on the sheet</UButton>
        <FilePick label="Way points to read" text="Read GPX" accept=".gpx,application/gpx+xml" @file="read" />
        <UButton @click="saveText('spots.gpx', spotsToGpx(spots.list), 'application/gpx+xml')">
          Save as GPX
        </UButton>
      </p>
      <p v-if="spots.list.length === 0" class="label">
        No spots yet. Set the water on the sheet and add it here, or read a GPX file.
      </p>
      <ul>
        <li v-for="s in spots.list" :key="s.id" :class="{ on: s.id === chosen }">
          <UButton
            variant="ghost"
            class="row"
            :aria-expanded="s.id === chosen"
            @click="chosen = s.id === chosen ? undefined : s.id"
          >
            <b>{{ s.name }}</b> <span>{{ s.content.water }}</span>
            <small
              >{{ withUnit(s.content.depthM, settings.units.depth)
              }}{{ s.content.tide > 0 ? ' below datum' : '' }}, {{ COVERS[s.content.cover].name }} over
              {{ BOTTOMS[s.content.bottom].name }}, {{ fishOf(s.content as FishTaken).name }}</small
            >
          </UButton>
          <SpotForm v-if="s.id === chosen" :spot="s" @keep="keep" @remove="remove(s)" />
        </li>
      </ul>
      <p class="label">Spots without a position do not travel as GPX.</p>
    </template>
  </UModal>
</template>

<style scoped>
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  margin-bottom: 8px;
}
li {
  border-top: 1px solid var(--hair);
}
.on {
  background: var(--paper);
}
.row {
  display: block;
  width: 100%;
  text-align: left;
  padding: 6px 4px;
  font-size: 15px;
}
.row span {
  color: var(--ink-soft);
  margin-left: 8px;
}
small {
  display: block;
  font-size: 13px;
  color: var(--ink-soft);
}
.bad {
  color: var(--wrack);
  margin-bottom: 6px;
}
</style>
