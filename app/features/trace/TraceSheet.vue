<script setup lang="ts">
import TraceView from './TraceView.vue'
import { UButton, UInput } from '#components'
import { navigateTo } from '#imports'
import { computed, ref, shallowRef, watch } from 'vue'
import { marksToSet, useTrace } from './useTrace'
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
  radToDeg,
  typicalHook,
  type FormId,
  type HookSize,
  type PlasticId,
} from '#core'
import type { ItemDetails } from '#schemas/box'
import { samplePhoto } from './samplePhoto'
import { hookFrom, overIsDown, ownOutline, trueOverSeen, type TraceSide } from './traced'
import { problemWords, SCALE_WORDS } from './traceWords'
import type { ScaleBy } from '~/compute/trace'
import type { Picture } from '~/compute/trace/picture'
import type { Point } from '~/compute/trace/homography'
import FilePick from '~/ui/FilePick.vue'
import NumberField from '~/ui/NumberField.vue'
import { useSettings } from '~/ui/settings'
import { withUnit } from '#words/units'

/** The angler's own bait or hook from a photograph beside a thing of known size: found, put right by hand, kept. */
const settings = useSettings()
const spread = useSpread()
const box = useBox()
const { picture, sighting, trace, chosen, problem, failed, busy, reversed, look, read, choose, nudge } =
  useTrace()
const subject = ref<'bait' | 'hook'>('bait')
const view = ref<TraceSide>('side')
const form = ref<FormId>('slimShad')
const material = ref<PlasticId>('plain')
const name = ref('my bait')
const points = ref<Point[]>([])

const by = ref<ScaleBy['kind']>('card')
const coinM = ref(0.025)
const rulerM = ref(0.1)
/** Corners of the card or ends of the ruler as a hand set them; found, or to be set, where there are none. */
const byHand = shallowRef<readonly Point[]>([])
const marks = computed<readonly Point[]>(() =>
  by.value === 'coin'
    ? []
    : byHand.value.length > 0
      ? byHand.value
      : by.value === 'card' && sighting.value
        ? sighting.value.marks
        : picture.value && (by.value === 'ruler' || problem.value)
          ? marksToSet(by.value, picture.value)
          : [],
)
const markNames = computed(() =>
  by.value === 'ruler'
    ? ['one end of the ruler', 'other end of the ruler']
    : [1, 2, 3, 4].map(n => `corner ${n} of the card`),
)
const scale = computed((): ScaleBy => {
  if (by.value === 'coin') return { kind: 'coin', diameterMm: 1000 * coinM.value }
  if (by.value === 'card')
    return { kind: 'card', ...(byHand.value.length === 4 ? { corners: byHand.value } : {}) }
  const [one, other] = byHand.value.length === 2 ? byHand.value : marks.value
  return { kind: 'ruler', ends: [one ?? [0, 0], other ?? [1, 0]], mm: 1000 * rulerM.value }
})
const lookAgain = (seen: Picture | undefined = picture.value): void => {
  if (!seen) return
  picture.value = seen
  void look(seen, scale.value, subject.value === 'bait' ? 'bait' : 'scale')
}
watch(subject, () => {
  points.value = []
  name.value = subject.value === 'bait' ? 'my bait' : 'my hook'
  lookAgain()
})
watch(by, () => {
  byHand.value = []
  lookAgain()
})
watch([coinM, rulerM], () => lookAgain())
function set(now: Point[]): void {
  byHand.value = now
  lookAgain()
}
function open(seen: Picture | undefined): void {
  if (!seen) return
  points.value = []
  byHand.value = []
  lookAgain(seen)
}

const bait = computed(() => {
  if (!trace.value || !sighting.value) return undefined
  const own = ownOutline(
    trace.value,
    form.value,
    view.value,
    reversed.value,
    overIsDown(sighting.value, trace.value),
  )
  const shrinks = trueOverSeen(own, trace.value.lengthMm, view.value, sighting.value)
  return {
    details: {
      form: form.value,
      lengthM: (shrinks * trace.value.lengthMm) / 1000,
      material: material.value,
      own,
    },
    shrinks,
    toleranceM:
      ((sighting.value.things[chosen.value]?.toleranceMm ?? 0) + 0.5 * (1 - shrinks) * trace.value.lengthMm) /
      1000,
  }
})
const thickest = computed(() =>
  bait.value
    ? Math.max(...(view.value === 'side' ? bait.value.details.own.height : bait.value.details.own.width)) *
      bait.value.details.lengthM
    : 0,
)
const hook = computed(() =>
  sighting.value && points.value.length === 3
    ? hookFrom(points.value as unknown as readonly [Point, Point, Point], sighting.value)
    : undefined,
)
const STEPS = ['Click the middle of the eye.', 'Click the back of the bend.', 'Click the point.'] as const
const forms = FORM_IDS.map(value => ({ value, label: BAIT_FORMS[value].name }))
const plastics = PLASTIC_IDS.map(value => ({ value, label: PLASTICS[value].name }))
const scales = (['card', 'coin', 'ruler'] as const).map(value => ({ value, label: SCALE_WORDS[value] }))
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
    ? ({ kind: 'bait', ...bait.value.details } as ItemDetails)
    : hook.value && { kind: 'hook', style: 'wideGap', size: nearestSize(hook.value.lengthM), own: hook.value }
  if (!details) return
  const made = await box.add([
    { name: name.value.trim() || 'my own', count: 1, tags: ['traced'], notes: '', details },
  ])
  kept.value = made ? `${made[0]!.name} is in the box.` : ''
}
async function use(): Promise<void> {
  const traced = bait.value?.details
  if (traced) spread.edit(draft => void (draft.bait = traced as typeof draft.bait))
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
      <ChoiceField
        label="beside"
        :model-value="by"
        :items="scales"
        @update:model-value="value => (by = value)"
      />
      <NumberField
        v-if="by === 'coin'"
        label="across"
        :model-value="coinM"
        :unit="settings.units.small"
        :range="[0.01, 0.06]"
        :step="0.0005"
        @update:model-value="value => (coinM = value)"
      />
      <NumberField
        v-if="by === 'ruler'"
        label="between the marks"
        :model-value="rulerM"
        :unit="settings.units.small"
        :range="[0.02, 1]"
        :step="0.01"
        @update:model-value="value => (rulerM = value)"
      />
      <FilePick
        label="Photograph"
        text="Choose a photo"
        icon="i-lucide-camera"
        accept="image/*"
        @file="async file => open(await read(file))"
      />
      <UButton icon="i-lucide-image" @click="open(samplePhoto())">Try the sample photo</UButton>
      <span class="grow" />
      <UButton :to="bench">Back to the bench</UButton>
    </section>
    <div class="body">
      <div class="left">
        <TraceView
          v-if="picture"
          v-model:points="points"
          :picture="picture"
          :sighting="sighting"
          :trace="trace"
          :chosen="chosen"
          :subject="subject"
          :reversed="reversed"
          :marks="marks"
          :mark-names="markNames"
          @nudge="nudge"
          @choose="choose"
          @mark="now => (byHand = now)"
          @marked="set"
        />
        <div v-else class="how">
          <h3>How to take it</h3>
          <p>
            Lay the {{ subject }} flat on a table, paper or cloth beside {{ SCALE_WORDS[by] }},
            {{ subject === 'bait' ? 'on its side or on its belly' : 'point up' }}, both whole in the picture
            and apart from each other. Photograph from above, from an arm's length rather than near: what
            stands up looks larger from near. A card tells how the camera was held; with a coin or a ruler
            hold it straight above. The picture stays on this device.
          </p>
        </div>
      </div>
      <aside class="right" aria-label="What was found">
        <p v-if="busy" class="label" role="status">
          Looking for {{ SCALE_WORDS[by] }}{{ subject === 'bait' ? ' and the bait' : '' }}…
        </p>
        <p v-if="failed" class="bad" role="alert">{{ failed }}</p>
        <p v-else-if="problem && !busy" class="bad" role="alert">{{ problemWords(problem, subject) }}</p>
        <template v-else-if="sighting">
          <p class="label">
            {{
              by === 'ruler'
                ? 'By the two marks of the ruler, taken as seen from straight above.'
                : `${by === 'card' ? 'Card' : 'Coin'} ${byHand.length > 0 ? 'set by hand' : 'found'}; camera held ${Math.round(radToDeg(sighting.tiltRad))}° aside${by === 'card' ? ', which is undone' : ''}.`
            }}
            ◆ measured from your photo
          </p>
          <template v-if="bait">
            <p class="big figure">
              {{ withUnit(bait.details.lengthM, settings.units.small) }}
              <small>long, ±{{ withUnit(bait.toleranceM, settings.units.small) }}</small>
            </p>
            <p class="big figure">
              {{ withUnit(thickest, settings.units.small) }}
              <small>{{ view === 'side' ? 'high' : 'wide' }} at its thickest</small>
            </p>
            <p class="label">
              {{ ((1 - bait.shrinks) * 100).toFixed(1) }} % is taken off for a bait that stands up from the
              table, seen from about {{ withUnit(sighting.distanceMm / 1000, settings.units.depth) }}.
            </p>
            <p v-if="sighting.things.length > 1" class="label">
              {{ sighting.things.length }} things lie there: tap the one that is the bait.
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
