<script setup lang="ts">
import { UButton, UInput, UModal } from '#components'
import { computed, onScopeDispose, ref, shallowRef, useTemplateRef } from 'vue'
import { useSettings } from '~/ui/settings'
import NumberField from '~/ui/NumberField.vue'
import { radToDeg } from '#core'
import { readClip, scaleOf, type ClipMark, type Spot2 } from './clip'
import { SAMPLE_BAR_M, SAMPLE_FPS } from './sampleClip'
import { withUnit } from '#words/units'
import { useFrame } from './useFrame'
import { useExchange } from '~/sync/useExchange'
import FilePick from '~/ui/FilePick.vue'

/**
 * A drop read off the angler's own clip: stepped frame by frame, scale set on something of known length, the
 * bait marked nose and tail.
 */
const open = defineModel<boolean>('open', { required: true })
const props = defineProps<{ sample: () => Promise<Blob | undefined> }>()
const emit = defineEmits<{ keep: [speedMS: number, pitchRad: number] }>()
const settings = useSettings()
const video = useTemplateRef('video')
const canvas = useTemplateRef('canvas')
const source = ref<string>()
const fps = ref(30)
const { busy, error, exchange } = useExchange()
const barM = ref(SAMPLE_BAR_M)
const scale = shallowRef<readonly Spot2[]>([])
const marks = shallowRef<readonly ClipMark[]>([])
/** its nose, on the frame that is shown */
const half = shallowRef<Spot2>()
/** the frame changed before the tail was marked */
const lost = ref(false)
const { t, coming, step } = useFrame(video, () => {
  lost.value = half.value !== undefined
  half.value = undefined
  paint()
})
const perM = computed(() =>
  scale.value.length === 2 ? scaleOf(scale.value[0]!, scale.value[1]!, barM.value) : undefined,
)
const reading = computed(() => (perM.value ? readClip(marks.value, perM.value) : undefined))
const says = computed(() =>
  !source.value
    ? ''
    : scale.value.length < 2
      ? `Press both ends of something ${withUnit(barM.value, settings.units.length)} long.`
      : half.value
        ? 'Now press its tail.'
        : lost.value
          ? 'Another frame: press its nose on this one.'
          : marks.value.length < 2
            ? "Press the bait's nose; then step on and mark it again."
            : 'Mark it on more frames, or keep what was read.',
)

function show(blob: Blob): void {
  if (source.value) URL.revokeObjectURL(source.value)
  source.value = URL.createObjectURL(blob)
  scale.value = []
  marks.value = []
  half.value = undefined
  lost.value = false
  error.value = undefined
}
onScopeDispose(() => {
  if (source.value) URL.revokeObjectURL(source.value)
})
const takeSample = (): Promise<void> =>
  exchange(async () => {
    const clip = await props.sample()
    if (!clip) throw new Error('This browser cannot record the sample.')
    fps.value = SAMPLE_FPS
    barM.value = SAMPLE_BAR_M
    show(clip)
  })
function paint(): void {
  const [element, target] = [video.value, canvas.value]
  const ctx = target?.getContext('2d')
  if (!element || !target || !ctx || element.videoWidth === 0) return
  target.width = element.videoWidth
  target.height = element.videoHeight
  ctx.drawImage(element, 0, 0)
  ctx.lineWidth = 3
  ctx.strokeStyle = '#b93c18'
  const dot = ({ x, y }: Spot2): void => {
    ctx.beginPath()
    ctx.arc(x, y, 6, 0, 2 * Math.PI)
    ctx.stroke()
  }
  scale.value.forEach(dot)
  for (const m of marks.value) {
    dot(m.nose)
    dot(m.tail)
    ctx.beginPath()
    ctx.moveTo(m.nose.x, m.nose.y)
    ctx.lineTo(m.tail.x, m.tail.y)
    ctx.stroke()
  }
  if (half.value) dot(half.value)
}
function press(event: MouseEvent): void {
  const target = canvas.value!
  const box = target.getBoundingClientRect()
  const spot = {
    x: ((event.clientX - box.left) * target.width) / box.width,
    y: ((event.clientY - box.top) * target.height) / box.height,
  }
  if (scale.value.length < 2) scale.value = [...scale.value, spot]
  else if (!half.value) {
    half.value = spot
    lost.value = false
  } else {
    marks.value = [...marks.value, { t: t.value, nose: half.value, tail: spot }]
    half.value = undefined
  }
  paint()
}
function back(): void {
  if (half.value) half.value = undefined
  else if (marks.value.length > 0) marks.value = marks.value.slice(0, -1)
  else scale.value = scale.value.slice(0, -1)
  paint()
}
function keep(): void {
  if (!reading.value) return
  if (!(reading.value.speedMS > 0.01))
    return void (error.value = 'It does not sink between these marks: mark it from the first frame on.')
  emit('keep', reading.value.speedMS, reading.value.pitchRad)
  open.value = false
}
const frames = (n: number): void => step(n / fps.value)
</script>

<template>
  <UModal v-model:open="open" title="A drop from a clip" :ui="{ content: 'max-w-3xl' }">
    <template #body>
      <p class="acts">
        <FilePick label="Clip of a drop" text="Your clip…" accept="video/*" @file="show" /><UButton
          :disabled="busy"
          @click="takeSample()"
        >
          {{ busy ? 'Recording the sample…' : 'The made-up sample' }}</UButton
        ><span class="label">It never leaves this device.</span>
      </p>
      <p v-if="error" class="bad" role="alert">{{ error }}</p>
      <template v-if="source">
        <video ref="video" :src="source" muted playsinline preload="auto" class="hidden" />
        <div class="table">
          <canvas
            ref="canvas"
            class="frame"
            role="img"
            :aria-busy="coming"
            :aria-label="`Frame at ${t.toFixed(2)} seconds`"
            @click="press"
          />
          <div class="side">
            <p role="status" class="says">{{ says }}</p>
            <p class="steps">
              <UButton aria-label="Ten frames back" @click="frames(-10)">−10</UButton
              ><UButton aria-label="A frame back" @click="frames(-1)">−1</UButton
              ><b class="figure">{{ t.toFixed(2) }} s</b
              ><UButton aria-label="A frame on" @click="frames(1)">+1</UButton
              ><UButton aria-label="Ten frames on" @click="frames(10)">+10</UButton>
            </p>
            <p>
              <NumberField
                label="known length"
                :model-value="barM"
                :unit="settings.units.length"
                :range="[0.01, 2]"
                :step="0.01"
                @update:model-value="value => (barM = value)"
              />
            </p>
            <p>
              <label class="label"
                >frames a second
                <UInput v-model.number="fps" type="number" min="5" max="240" aria-label="Frames a second"
              /></label>
            </p>
            <p v-if="reading" class="figure read">
              {{ withUnit(reading.speedMS, settings.units.speed) }},
              {{ Math.round(radToDeg(reading.pitchRad)) }}°
              <small>over {{ reading.seconds.toFixed(2) }} s, {{ marks.length }} marks</small>
            </p>
            <p class="acts">
              <UButton :disabled="scale.length === 0" @click="back()"> Take the last mark back</UButton
              ><UButton variant="solid" :disabled="!reading" @click="keep()"> Keep this drop </UButton>
            </p>
          </div>
        </div>
      </template>
      <p v-else class="label">
        Film from the side, the bait against something of known length: a ruler, the tank's edge. Once it
        falls steadily, mark nose and tail on two frames or more.
      </p>
    </template>
  </UModal>
</template>

<style scoped>
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
  margin-bottom: 8px;
}
.hidden {
  position: absolute;
  width: 1px;
  height: 1px;
  opacity: 0;
  pointer-events: none;
}
.table {
  display: grid;
  grid-template-columns: auto minmax(0, 1fr);
  gap: 14px;
}
.frame {
  max-height: 460px;
  max-width: 100%;
  cursor: crosshair;
  border: 1px solid var(--hair-strong);
}
.side {
  display: grid;
  gap: 8px;
  align-content: start;
}
.says {
  font-size: 17px;
  padding-left: 8px;
  border-left: 5px solid var(--float);
  min-height: 44px;
}
.steps {
  display: flex;
  gap: 5px;
  align-items: center;
}
.read {
  font-size: 24px;
}
.read small {
  font-size: 13px;
  color: var(--ink-soft);
  display: block;
}
.bad {
  color: var(--wrack);
}
@media (max-width: 639px) {
  .table {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
