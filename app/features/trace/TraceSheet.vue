<script setup lang="ts">
import TraceView from './TraceView.vue'
import { UButton, UInput } from '#components'
import { navigateTo } from '#imports'
import { computed, ref, watch } from 'vue'
import { useTrace } from './useTrace'
import { useBox } from '~/sync/box'
import { useSpread } from '~/sheet/spread'
import ChoiceField from '~/ui/ChoiceField.vue'
import SheetFrame from '~/sheet/SheetFrame.vue'
import {
  BAIT_FORMS,
  FORM_IDS,
  HOOK_SIZES,
  PLASTIC_IDS,
  PLASTICS,
  typicalHook,
  type FormId,
  type HookSize,
  type PlasticId,
} from '#core'
import type { ItemDetails } from '#schemas/box'
import { samplePhoto } from './samplePhoto'
import { hookFrom, ownOutline, type TraceSide } from './traced'
import type { Point } from '~/compute/trace'
import FilePick from '~/ui/FilePick.vue'
import { CARD_MM, useSettings } from '~/ui/settings'
import { withUnit } from '#words/units'

/** The angler's own bait or hook from a photograph beside a bank card: found, put right by hand, kept. */
const settings = useSettings()
const spread = useSpread()
const box = useBox()
const { picture, trace, message, busy, reversed, look, open, nudge } = useTrace()
const subject = ref<'bait' | 'hook'>('bait')
const view = ref<TraceSide>('side')
const form = ref<FormId>('slimShad')
const material = ref<PlasticId>('plain')
const name = ref('my bait')
const points = ref<Point[]>([])
const want = computed(() => (subject.value === 'bait' ? ('bait' as const) : ('scale' as const)))
watch(subject, () => {
  points.value = []
  name.value = subject.value === 'bait' ? 'my bait' : 'my hook'
  if (picture.value) void look(picture.value, want.value)
})

function choose(file: File): void {
  points.value = []
  void open(file, want.value)
}
const lengthM = computed(() => (trace.value ? trace.value.lengthPx / trace.value.pxPerMm / 1000 : 0))
const bait = computed(() =>
  trace.value && trace.value.stations.length > 0
    ? {
        form: form.value,
        lengthM: lengthM.value,
        material: material.value,
        own: ownOutline(trace.value, form.value, view.value, reversed.value),
      }
    : undefined,
)
const thickest = computed(() =>
  bait.value
    ? Math.max(...(view.value === 'side' ? bait.value.own.height : bait.value.own.width)) * lengthM.value
    : 0,
)
const hook = computed(() =>
  trace.value && points.value.length === 3
    ? hookFrom(points.value as unknown as readonly [Point, Point, Point], trace.value.pxPerMm)
    : undefined,
)
const STEPS = ['Click the middle of the eye.', 'Click the back of the bend.', 'Click the point.'] as const
const forms = FORM_IDS.map(value => ({ value, label: BAIT_FORMS[value].name }))
const plastics = PLASTIC_IDS.map(value => ({ value, label: PLASTICS[value].name }))
const views = [
  { value: 'side', label: 'from the side' },
  { value: 'above', label: 'from above' },
] as const
const bench = computed(() => (spread.saved ? `/bench/${spread.saved.id}` : '/bench'))
const kept = ref('')
/** The size whose typical length is nearest. */
const nearestSize = (m: number): HookSize =>
  HOOK_SIZES.reduce((best, size) =>
    Math.abs(typicalHook('wideGap', size).lengthM - m) < Math.abs(typicalHook('wideGap', best).lengthM - m)
      ? size
      : best,
  )

async function keep(): Promise<void> {
  const details: ItemDetails | undefined = bait.value
    ? ({ kind: 'bait', ...bait.value } as ItemDetails)
    : hook.value && { kind: 'hook', style: 'wideGap', size: nearestSize(hook.value.lengthM), own: hook.value }
  if (!details) return
  const made = await box.add([
    { name: name.value.trim() || 'my own', count: 1, tags: ['traced'], notes: '', details },
  ])
  kept.value = made ? `${made[0]!.name} is in the box.` : ''
}
async function use(): Promise<void> {
  if (bait.value) spread.edit(draft => void (draft.bait = bait.value as typeof draft.bait))
  else if (hook.value) {
    const letter = (spread.content.lanes.find(l => l.letter === spread.picked) ?? spread.content.lanes[0]!)
      .letter
    const own = hook.value
    spread.editLane(letter, l => ({ ...l, hook: { ...l.hook, ...own } }))
  }
  await navigateTo(bench.value)
}
</script>

<template>
  <SheetFrame :id="spread.saved?.id" view="bench">
    <section class="strip" aria-label="Taking the photograph">
      <h2>Trace my {{ subject }}</h2>
      <ChoiceField
        label="what"
        :model-value="subject"
        :items="[
          { value: 'bait', label: 'a bait' },
          { value: 'hook', label: 'a hook' },
        ]"
        @update:model-value="value => (subject = value)"
      />
      <FilePick
        label="Photograph"
        text="Choose a photo"
        icon="i-lucide-camera"
        accept="image/*"
        @file="choose"
      />
      <UButton icon="i-lucide-image" @click="look(samplePhoto(), want)">Try the sample photo</UButton>
      <span class="grow" />
      <UButton :to="bench">Back to the bench</UButton>
    </section>
    <div class="body">
      <div class="left">
        <TraceView
          v-if="picture"
          v-model:points="points"
          :picture="picture"
          :trace="trace"
          :subject="subject"
          :reversed="reversed"
          @nudge="nudge"
        />
        <div v-else class="how">
          <h3>How to take it</h3>
          <p>
            Lay the {{ subject }} flat on plain paper beside a bank card,
            {{ subject === 'bait' ? 'on its side or on its belly' : 'point up' }}. Photograph from straight
            above, with even light and no hard shadows. The picture stays on this device.
          </p>
        </div>
      </div>
      <aside class="right" aria-label="What was found">
        <p v-if="busy" class="label" role="status">
          Looking for the card{{ subject === 'bait' ? ' and the bait' : '' }}…
        </p>
        <p v-else-if="message" class="bad" role="alert">{{ message }}</p>
        <template v-else-if="trace">
          <p class="label">
            card found: {{ Math.round(trace.pxPerMm * CARD_MM[0]) }} pixels long. ◇ measured from your photo
          </p>
          <template v-if="bait">
            <p class="big figure">{{ withUnit(lengthM, settings.units.small) }} <small>long</small></p>
            <p class="big figure">
              {{ withUnit(thickest, settings.units.small) }}
              <small>{{ view === 'side' ? 'high' : 'wide' }} at its thickest</small>
            </p>
            <div class="fields">
              <ChoiceField
                label="seen"
                :model-value="view"
                :items="views"
                @update:model-value="value => (view = value)"
              />
              <ChoiceField
                label="most like"
                :model-value="form"
                :items="forms"
                @update:model-value="value => (form = value)"
              />
              <ChoiceField
                label="material"
                :model-value="material"
                :items="plastics"
                @update:model-value="value => (material = value)"
              />
              <UButton icon="i-lucide-arrow-left-right" @click="reversed = !reversed"
                >The nose is at the other end</UButton
              >
            </div>
            <p class="label">
              {{ view === 'side' ? 'Width' : 'Height' }}, tail and slot are taken from the form it is most
              like. Drag the points of the outline where it is off, or focus one and use the arrow keys.
            </p>
          </template>
          <template v-else>
            <p v-if="points.length < 3" class="say">{{ STEPS[points.length] }}</p>
            <template v-if="hook">
              <p class="big figure">
                {{ withUnit(hook.lengthM, settings.units.small) }} <small>eye to bend</small>
              </p>
              <p class="big figure">{{ withUnit(hook.gapM, settings.units.small) }} <small>gap</small></p>
            </template>
            <UButton v-if="points.length > 0" @click="points = points.slice(0, -1)">
              Take the last point back
            </UButton>
          </template>
          <div v-if="bait || hook" class="fields">
            <label class="label">name <UInput v-model="name" maxlength="80" class="text" /></label>
            <UButton icon="i-lucide-ruler" variant="solid" @click="use()">Use it on the bench</UButton>
            <UButton icon="i-lucide-package" :disabled="box.busy" @click="keep()">Keep it in my box</UButton>
          </div>
          <p v-if="kept" role="status">{{ kept }}</p>
          <p v-if="box.error" class="bad" role="alert">{{ box.error }}</p>
        </template>
      </aside>
    </div>
  </SheetFrame>
</template>

<style scoped>
.strip {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 12px;
  align-items: center;
  padding: 5px 12px;
  border-bottom: var(--line-weight) solid var(--hair-strong);
}
h2 {
  font-size: 18px;
  font-weight: 600;
}
.grow {
  flex: 1;
}
.body {
  flex: 1;
  display: grid;
  grid-template-columns: minmax(0, 1fr) 340px;
}
.left {
  border-right: var(--line-weight) solid var(--hair-strong);
  padding: 8px;
  min-width: 0;
}
.right {
  padding: 10px 14px;
  display: grid;
  gap: 8px;
  align-content: start;
}
.how {
  padding: 30px 20px;
  font-size: 16px;
  max-width: 56ch;
}
.how h3 {
  font-size: 20px;
  margin-bottom: 6px;
}
.fields {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 12px;
  align-items: center;
}
.big {
  font-size: 30px;
  font-weight: 600;
  line-height: 1.1;
}
.big small {
  font-size: 14px;
  font-weight: 400;
  color: var(--ink-soft);
}
.say {
  font-size: 17px;
  padding-left: 10px;
  border-left: 4px solid var(--float);
}
.bad {
  color: var(--wrack);
  font-size: 16px;
}
@media (max-width: 899px) {
  .body {
    grid-template-columns: minmax(0, 1fr);
  }
  .left {
    border-right: 0;
  }
}
</style>
