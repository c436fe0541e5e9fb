import { useManualRefHistory } from '@vueuse/core'
import { defineStore } from 'pinia'
import { computed, ref, shallowRef } from 'vue'
import { contentShape, type Lane, type Letter, type Spread, type SpreadContent } from '#schemas/spread'
import { copy, sameData } from '../../shared/data'
import { newLane } from './lanes'
import { starterContent } from './starter'

const UNNAMED = 'Unnamed spread'

/** What is kept on this device between saves, so that closing the page loses nothing. */
interface Draft {
  readonly name: string
  readonly content: SpreadContent
  readonly revision: number
}
const draftKey = (id: string | undefined): string => `dunecrest.draft.${id ?? 'new'}`

/**
 * The spread on the sheet: its water, bait and lanes, with undo and redo, and how it stands to the saved one.
 */
export const useSpread = defineStore('spread', () => {
  const content = ref<SpreadContent>(starterContent())
  const name = ref(UNNAMED)
  const saved = shallowRef<Spread>()
  const picked = ref<Letter>()
  /** a spread, or a fresh sheet, has been laid out since the page was loaded */
  const opened = ref(false)
  const history = useManualRefHistory(content, { clone: copy, capacity: 200 })

  const changed = computed(
    () => !saved.value || name.value !== saved.value.name || !sameData(content.value, saved.value.content),
  )

  /** the sheet was never saved and has been worked on: it would be lost where another takes its place */
  const unkept = computed(
    () => !saved.value && (name.value !== UNNAMED || !sameData(content.value, starterContent())),
  )

  /** Changes the sheet in one step that can be undone; a change that changes nothing leaves no step. */
  function edit(change: (draft: SpreadContent) => void): void {
    const draft = copy(content.value)
    change(draft)
    if (sameData(draft, content.value)) return
    content.value = draft
    history.commit()
    keepDraft()
  }

  const editLane = (letter: Letter, change: (lane: Lane) => Lane): void =>
    edit(
      draft => void (draft.lanes = draft.lanes.map(lane => (lane.letter === letter ? change(lane) : lane))),
    )

  const addLane = (family: Lane['family']): void =>
    edit(draft => {
      const lane = newLane(draft, family)
      if (lane) draft.lanes.push(lane)
    })

  function keepDraft(): void {
    const draft: Draft = { name: name.value, content: content.value, revision: saved.value?.revision ?? 0 }
    if (changed.value) localStorage.setItem(draftKey(saved.value?.id), JSON.stringify(draft))
    else localStorage.removeItem(draftKey(saved.value?.id))
  }

  /**
   * Lays a saved spread, or a fresh one, on the sheet; unsaved work kept on this device comes back with it.
   */
  function open(spread: Spread | undefined): { readonly draft: boolean; readonly outdated: boolean } {
    const draft = readDraft(spread?.id)
    opened.value = true
    saved.value = spread
    content.value = copy(draft?.content ?? spread?.content ?? starterContent())
    name.value = draft?.name ?? spread?.name ?? UNNAMED
    picked.value = undefined
    history.commit()
    history.clear()
    return {
      draft: draft !== undefined,
      outdated: draft !== undefined && spread !== undefined && draft.revision !== spread.revision,
    }
  }

  /** Takes what the server acknowledged as the saved state. */
  function acknowledge(spread: Spread): void {
    localStorage.removeItem(draftKey(saved.value?.id))
    saved.value = spread
    name.value = spread.name
    keepDraft()
  }

  /** Keeps the sheet as work that was never saved, as when the saved one is deleted. */
  function detach(): void {
    localStorage.removeItem(draftKey(saved.value?.id))
    saved.value = undefined
    keepDraft()
  }

  function discard(): void {
    localStorage.removeItem(draftKey(saved.value?.id))
    open(saved.value)
  }

  function rename(to: string): void {
    name.value = to
    keepDraft()
  }

  const stepBack = (): void => (history.undo(), keepDraft())
  const stepForward = (): void => (history.redo(), keepDraft())

  return {
    content,
    name,
    saved,
    picked,
    opened,
    changed,
    unkept,
    edit,
    editLane,
    addLane,
    open,
    acknowledge,
    detach,
    discard,
    rename,
    undo: stepBack,
    redo: stepForward,
    canUndo: history.canUndo,
    canRedo: history.canRedo,
  }
})

function readDraft(id: string | undefined): Draft | undefined {
  try {
    const draft = JSON.parse(localStorage.getItem(draftKey(id)) ?? 'null') as Draft | null
    return draft && contentShape.safeParse(draft.content).success ? draft : undefined
  } catch {
    return undefined
  }
}
