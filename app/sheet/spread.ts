import {
  useEventListener,
  useLocalStorage,
  useManualRefHistory,
  type UseRefHistoryRecord,
} from '@vueuse/core'
import { defineStore } from 'pinia'
import { computed, ref, shallowRef } from 'vue'
import type { Letter } from '#schemas/ranges'
import type { contentShape, Lane, Spread, SpreadContent } from '#schemas/spread'
import { copy, sameData } from '../../shared/data'
import { onSettled } from '~/sync/changes'
import { newLane } from './lanes'
import { starterContent } from './starter'

const UNNAMED = 'Unnamed spread'

/** What is kept on this device between saves, so that closing the page loses nothing. */
interface Draft {
  readonly name: string
  readonly content: SpreadContent
  readonly revision: number
}
/** Steps back and forward from a content, kept while the tab lives. */
interface Steps {
  readonly at: SpreadContent
  readonly undo: readonly UseRefHistoryRecord<SpreadContent>[]
  readonly redo: readonly UseRefHistoryRecord<SpreadContent>[]
}
const KEPT_STEPS = 60
const stepsKey = (id: string | undefined): string => `dunecrest.steps.${id ?? 'new'}`
const draftKey = (id: string | undefined): string => `dunecrest.draft.${id ?? 'new'}`

/**
 * The spread on the sheet: its water, bait and lanes, with undo and redo, and how it stands to the saved one.
 */
export const useSpread = defineStore('spread', () => {
  const content = ref<SpreadContent>(starterContent())
  const name = ref(UNNAMED)
  const saved = shallowRef<Spread>()
  const picked = ref<Letter>()
  /** the spread that was last on the sheet of this device; none where it was one without a name */
  const lastId = useLocalStorage('dunecrest.sheet', '')
  /** a spread, or a fresh sheet, has been laid out since the page was loaded */
  const opened = ref(false)
  const history = useManualRefHistory<SpreadContent, SpreadContent>(content, { clone: copy, capacity: 200 })

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
    keepSteps()
  }

  /** Steps that can be undone outlive a reload of this tab. */
  function keepSteps(): void {
    const { undoStack, redoStack } = history
    const steps: Steps = {
      at: content.value,
      undo: undoStack.value.slice(0, KEPT_STEPS),
      redo: redoStack.value,
    }
    try {
      sessionStorage.setItem(stepsKey(saved.value?.id), JSON.stringify(steps))
    } catch {
      // no room: a reload forgets these steps, and the change itself stands
      sessionStorage.removeItem(stepsKey(saved.value?.id))
    }
  }

  /** what another tab has made of this very sheet meanwhile */
  const elsewhere = shallowRef<Draft>()
  useEventListener(window, 'storage', async ({ key, newValue }: StorageEvent) => {
    if (key !== draftKey(saved.value?.id) || !opened.value) return
    const theirs = asDraft(newValue, await shapeLoaded())
    const differs = theirs && (theirs.name !== name.value || !sameData(theirs.content, content.value))
    elsewhere.value = differs ? theirs : undefined
  })
  /** Lays what another tab made on this one too, as a step that can be undone. */
  function takeElsewhere(): void {
    const theirs = elsewhere.value
    elsewhere.value = undefined
    if (!theirs) return
    name.value = theirs.name
    edit(draft => void Object.assign(draft, copy(theirs.content)))
  }
  /** Keeps what stands here; the other tab is told in its turn. */
  function keepHere(): void {
    elsewhere.value = undefined
    keepDraft()
  }

  /**
   * Lays a saved spread, or a fresh one, on the sheet; unsaved work kept on this device comes back with it.
   */
  async function open(
    spread: Spread | undefined,
  ): Promise<{ readonly draft: boolean; readonly outdated: boolean }> {
    // what nothing is kept for stands at once
    const shape = isKeptHere(spread?.id) ? await shapeLoaded() : undefined
    const draft = shape && asDraft(localStorage.getItem(draftKey(spread?.id)), shape)
    opened.value = true
    saved.value = spread
    lastId.value = spread?.id ?? ''
    content.value = copy(draft?.content ?? spread?.content ?? starterContent())
    name.value = draft?.name ?? spread?.name ?? UNNAMED
    picked.value = undefined
    history.commit()
    history.clear()
    elsewhere.value = undefined
    const steps = shape && readSteps(spread?.id, shape)
    if (steps && sameData(steps.at, content.value)) {
      history.undoStack.value = [...steps.undo]
      history.redoStack.value = [...steps.redo]
    }
    return {
      draft: draft !== undefined,
      outdated: draft !== undefined && spread !== undefined && draft.revision !== spread.revision,
    }
  }

  // what was kept on this device has come to the server: the next change is made on what is there
  onSettled('/api/spreads', (id, row) => {
    if (row && id === saved.value?.id) saved.value = row as Spread
  })

  /** Takes what the server acknowledged as the saved state. */
  function acknowledge(spread: Spread): void {
    localStorage.removeItem(draftKey(saved.value?.id))
    saved.value = spread
    lastId.value = spread.id
    name.value = spread.name
    keepDraft()
  }

  /** Keeps the sheet as work that was never saved, as when the saved one is deleted. */
  function detach(): void {
    localStorage.removeItem(draftKey(saved.value?.id))
    saved.value = undefined
    keepDraft()
  }

  async function discard(): Promise<void> {
    localStorage.removeItem(draftKey(saved.value?.id))
    await open(saved.value)
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
    lastId,
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
    elsewhere,
    takeElsewhere,
    keepHere,
    undo: stepBack,
    redo: stepForward,
    canUndo: history.canUndo,
    canRedo: history.canRedo,
  }
})

/** What a content must be like, which comes only where something is kept that has to be like it. */
type Shape = typeof contentShape
const shapeLoaded = async (): Promise<Shape> => (await import('#schemas/spread')).contentShape
const isKeptHere = (id: string | undefined): boolean =>
  localStorage.getItem(draftKey(id)) !== null || sessionStorage.getItem(stepsKey(id)) !== null

function asDraft(text: string | null, shape: Shape): Draft | undefined {
  const draft = parsed(text) as Draft | null
  return draft && shape.safeParse(draft.content).success ? draft : undefined
}

function readSteps(id: string | undefined, shape: Shape): Steps | undefined {
  const steps = parsed(sessionStorage.getItem(stepsKey(id))) as Steps | null
  const sound = (list: unknown): boolean =>
    Array.isArray(list) &&
    list.every(one => shape.safeParse((one as { snapshot?: unknown } | null)?.snapshot).success)
  return steps && sound(steps.undo) && sound(steps.redo) ? steps : undefined
}

function parsed(text: string | null): unknown {
  try {
    return JSON.parse(text ?? 'null')
  } catch {
    return null
  }
}
