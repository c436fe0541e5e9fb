<script setup lang="ts">
import { UButton } from '#components'
import { ref } from 'vue'
import { useBox } from '~/sync/box'
import type { BoxItem } from '#schemas/box'
import { pixelsOf } from '~/ui/drawing/pixels'
import FilePick from '~/ui/FilePick.vue'

/** A small photograph of a thing, to know it by. */
const props = defineProps<{ item: BoxItem }>()
const box = useBox()
const version = ref(0)
const wrong = ref('')
/** Longer side kept, px, and how hard it is pressed. */
const LONGEST = 480
const QUALITY = 0.75

async function choose(file: File): Promise<void> {
  try {
    wrong.value = ''
    const { canvas } = await pixelsOf(file, LONGEST)
    await box.photograph(props.item.id, canvas.toDataURL('image/jpeg', QUALITY))
    version.value++
  } catch {
    wrong.value = 'This file is not a picture that the browser can read.'
  }
}
</script>

<template>
  <div class="photo">
    <img
      v-if="item.photographed"
      :src="`/api/box/${item.id}/photo?${version}`"
      :alt="`Photograph of ${item.name}`"
    />
    <FilePick
      label="Photo of this thing"
      :text="item.photographed ? 'Another photo' : 'Add a photo'"
      icon="i-lucide-camera"
      accept="image/*"
      @file="choose"
    />
    <UButton v-if="item.photographed" @click="box.photograph(item.id, null)"> Take it away </UButton>
    <span v-if="wrong" class="bad" role="alert">{{ wrong }}</span>
  </div>
</template>

<style scoped>
.photo {
  flex-basis: 100%;
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  align-items: center;
}
img {
  width: 100%;
  max-height: 180px;
  object-fit: contain;
  background: var(--paper);
}
.bad {
  color: var(--wrack);
  font-size: 14px;
}
</style>
