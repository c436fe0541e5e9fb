<script setup lang="ts">
import { UIcon } from '#components'
import { ref } from 'vue'
import { useBox } from '~/sync/box'
import type { BoxItem } from '#schemas/box'
import { pixelsOf } from '~/ui/drawing/pixels'

/** A small photograph of a thing, to know it by. */
const props = defineProps<{ item: BoxItem }>()
const box = useBox()
const version = ref(0)
const wrong = ref('')
/** Longer side kept, px, and how hard it is pressed. */
const LONGEST = 480
const QUALITY = 0.75

async function choose(event: Event): Promise<void> {
  const input = event.target as HTMLInputElement
  const [file] = input.files ?? []
  input.value = ''
  if (!file) return
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
    <label class="key"
      ><UIcon name="i-lucide-camera" /> {{ item.photographed ? 'Another photo' : 'Add a photo'
      }}<input type="file" accept="image/*" aria-label="Photo of this thing" @change="choose"
    /></label>
    <button v-if="item.photographed" type="button" class="key" @click="box.photograph(item.id, null)">
      Take it away
    </button>
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
.key {
  min-height: 30px;
  padding: 2px 10px;
  display: inline-flex;
  gap: 6px;
  align-items: center;
  border: var(--line-weight) solid var(--hair-strong);
  border-radius: 2px;
  font-size: 14px;
  position: relative;
}
.key:hover {
  background: var(--ink);
  color: var(--paper);
}
.key input {
  position: absolute;
  inset: 0;
  opacity: 0;
  cursor: pointer;
}
.key:focus-within {
  outline: 2px solid var(--float);
}
.bad {
  color: var(--wrack);
  font-size: 14px;
}
</style>
