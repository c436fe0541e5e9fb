<script setup lang="ts">
import { NuxtLink, UButton, UModal } from '#components'
import { navigateTo, useHead } from '#imports'
import { computed, defineAsyncComponent, reactive, ref, watch } from 'vue'
import { useKeeping } from './useKeeping'
import { useKeys } from './useKeys'
import { useEvidence } from './evidence'
import { useSpread } from './spread'
import AppHeader from './AppHeader.vue'
import { calculator } from '~/compute/calculator'
import { GLOSSARY } from '#words/glossary'
import { VIEW_NAMES, viewPath, type SheetView, type Steps, useSheetCommands } from './useSheetCommands'

// each comes when it is first asked for, and stays
const CautionsDialog = defineAsyncComponent(() => import('./CautionsDialog.vue'))
const PaletteDialog = defineAsyncComponent(() => import('./PaletteDialog.vue'))
const SpreadsDialog = defineAsyncComponent(() => import('./SpreadsDialog.vue'))
const TermsDialog = defineAsyncComponent(() => import('./TermsDialog.vue'))

/** What every view of a sheet shares: header, keys, dialogs, and opening the spread of the address. */
const props = defineProps<{
  id: string | undefined
  view: SheetView
  /** what undo works on, where it is not the sheet */ steps?: Steps
}>()
const emit = defineEmits<{ drop: [] }>()
/** Views that look through the box. */
const SEARCHING: ReadonlySet<SheetView> = new Set(['pick', 'rods'])
const WORDS = Object.values(GLOSSARY).map(({ name, text }) => [name, text] as const)
const spread = useSpread()
const keeping = useKeeping(props.view)
// the page is laid out while it starts
calculator().ready(SEARCHING.has(props.view))
const evidence = useEvidence()
if (!evidence.loaded) void evidence.load()
const steps = computed<Steps>(() => props.steps ?? spread)
const missing = ref<string>()
const loading = ref(true)
const showing = reactive({
  spreads: false,
  palette: false,
  keys: false,
  words: false,
  cautions: false,
  leaving: false,
})
/** Dialogs that were asked for. */
const asked = reactive(new Set<string>())
watch(showing, now => {
  for (const [name, open] of Object.entries(now)) if (open) asked.add(name)
})

watch(
  () => props.id,
  async id => {
    if (id === spread.saved?.id && spread.opened) return void (loading.value = false)
    loading.value = true
    missing.value = await keeping.open(id)
    loading.value = false
  },
  { immediate: true },
)

async function startNew(): Promise<void> {
  if (props.id === undefined && spread.unkept) showing.leaving = true
  else await startFresh()
}
async function startFresh(): Promise<void> {
  showing.leaving = false
  if (props.id === undefined) await spread.discard()
  else await navigateTo(viewPath(props.view, undefined))
}
async function keepFirst(): Promise<void> {
  await keeping.save()
  if (spread.saved) {
    showing.leaving = false
    await navigateTo(viewPath(props.view, undefined))
  }
}
const { keys, palette } = useSheetCommands(
  {
    drop: () => emit('drop'),
    save: asNew => void keeping.save(asNew),
    showSpreads: () => void (showing.spreads = true),
    showPalette: () => void (showing.palette = true),
    showKeys: () => void (showing.keys = true),
    showWords: () => void (showing.words = true),
    startNew: () => void startNew(),
    go: view => void navigateTo(viewPath(view, spread.saved?.id)),
  },
  () => steps.value,
  props.view !== 'box',
)
useKeys(keys)
useHead({ title: () => `${VIEW_NAMES[props.view]}: ${spread.name} · Dunecrest` })
</script>

<template>
  <main class="sheet" :class="{ bounded: view === 'box' }">
    <AppHeader
      :saving="keeping.saving.value"
      :view="view"
      :steps="steps"
      @save="keeping.save()"
      @rename="name => keeping.rename(name)"
      @discard="spread.discard()"
      @spreads="showing.spreads = true"
      @fresh="startNew"
      @palette="showing.palette = true"
      @keys="showing.keys = true"
      @words="showing.words = true"
    />
    <p class="print-only figure title">Dunecrest: {{ spread.name }}</p>
    <section v-if="spread.elsewhere" class="elsewhere no-print" role="alert">
      <span>This sheet was changed in another tab.</span>
      <UButton variant="solid" @click="spread.takeElsewhere()">Take what stands there</UButton>
      <UButton @click="spread.keepHere()">Keep what stands here</UButton>
    </section>
    <section v-if="missing" class="missing">
      <h2>{{ missing }}</h2>
      <p>
        <NuxtLink to="/">Go to a fresh sheet</NuxtLink> or
        <UButton variant="ghost" @click="showing.spreads = true">see the saved spreads</UButton>.
      </p>
    </section>
    <section v-else-if="loading" class="missing"><p class="label">Opening the spread…</p></section>
    <slot
      v-else
      :show-cautions="
        () => {
          showing.cautions = true
        }
      "
    />
    <SpreadsDialog v-if="asked.has('spreads')" v-model:open="showing.spreads" :view="view" />
    <PaletteDialog v-if="asked.has('palette')" v-model:open="showing.palette" :entries="palette" />
    <TermsDialog
      v-if="asked.has('keys')"
      v-model:open="showing.keys"
      title="Keys"
      :terms="keys.map(key => [key.keys, key.says] as const)"
    />
    <TermsDialog
      v-if="asked.has('words')"
      v-model:open="showing.words"
      title="Words used here"
      :terms="WORDS"
    />
    <UModal
      v-model:open="showing.leaving"
      title="This sheet is not saved"
      :description="`A new sheet takes the place of “${spread.name}”.`"
    >
      <template #footer>
        <UButton variant="solid" :disabled="keeping.saving.value" @click="keepFirst()">Save it first</UButton>
        <UButton @click="startFresh()">Throw it away</UButton>
        <UButton @click="showing.leaving = false">Stay on it</UButton>
      </template>
    </UModal>
    <CautionsDialog v-if="asked.has('cautions')" v-model:open="showing.cautions" />
  </main>
</template>

<style scoped>
.sheet {
  min-height: 100dvh;
  display: flex;
  flex-direction: column;
}
/* a long list scrolls inside the sheet rather than with it */
@media screen and (min-width: 900px) {
  .bounded {
    height: 100dvh;
  }
}
/* the links to the views stand over the lower edge of a phone */
@media screen and (max-width: 639px) {
  .sheet {
    padding-bottom: calc(51px + env(safe-area-inset-bottom));
  }
}
.title {
  font-size: 20px;
  padding: 6px 12px;
}
.elsewhere {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 12px;
  align-items: center;
  padding: 6px 12px;
  background: color-mix(in srgb, var(--float) 14%, var(--paper));
  border-bottom: var(--line-weight) solid var(--hair-strong);
}
.missing {
  padding: 48px 24px;
  max-width: 60ch;
  font-size: 16px;
}
.missing h2 {
  font-size: 20px;
  margin-bottom: 8px;
}
.missing :is(a, button) {
  text-decoration: underline;
  text-underline-offset: 3px;
}
</style>
