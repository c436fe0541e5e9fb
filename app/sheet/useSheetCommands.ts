import { navigateTo } from '#imports'
import { computed } from 'vue'
import type { Letter } from '#schemas/ranges'
import { useSpread } from './spread'
import { FAMILIES, FAMILY_IDS, stepWeight } from '#core'
import type { Lane } from '#schemas/spread'
import { THEMES, useSettings } from '~/ui/settings'
import { moved, stepHook } from './lanes'
import { UNIT_SYSTEMS } from '#words/units'
import type { KeyCommand } from './useKeys'

/** The views of one sheet. */
export const VIEWS = ['spread', 'bench', 'tank', 'cover', 'strike', 'pick', 'rods', 'log', 'box'] as const
export type SheetView = (typeof VIEWS)[number]
export const VIEW_NAMES: Readonly<Record<SheetView, string>> = {
  spread: 'Spread',
  bench: 'Bench',
  tank: 'Tank',
  cover: 'Cover',
  strike: 'Strike',
  pick: 'Pick',
  rods: 'Rods',
  log: 'Log',
  box: 'Box',
}

/** Address of a view of a saved spread, or of the sheet that is not saved yet. */
export const viewPath = (view: SheetView, id: string | undefined): string =>
  id ? `/${view}/${id}` : view === 'spread' ? '/' : `/${view}`

export interface SheetActions {
  readonly drop: () => void
  readonly save: (asNew?: boolean) => void
  readonly showSpreads: () => void
  readonly showPalette: () => void
  readonly showKeys: () => void
  readonly showWords: () => void
  readonly startNew: () => void
  readonly go: (view: SheetView) => void
}

/** Steps back and forward of what a view edits: the sheet, unless it says otherwise. */
export interface Steps {
  readonly undo: () => void
  readonly redo: () => void
  readonly canUndo: boolean
  readonly canRedo: boolean
}

export interface PaletteEntry {
  readonly label: string
  readonly icon: string
  readonly kbds?: string[]
  readonly onSelect: () => void
}

/** Everything the keys and the command palette can do to the sheet. */
export function useSheetCommands(actions: SheetActions, steps: () => Steps, withLanes: boolean) {
  const spread = useSpread()
  const settings = useSettings()
  const chosen = computed<Lane | undefined>(
    () => spread.content.lanes.find(l => l.letter === spread.picked) ?? spread.content.lanes[0],
  )

  const onChosen = (change: (lane: Lane) => Lane): void => {
    if (chosen.value) spread.editLane(chosen.value.letter, change)
  }
  const weigh = (direction: 1 | -1): void =>
    onChosen(lane =>
      FAMILIES[lane.family].weighted
        ? { ...lane, weightKg: stepWeight(settings.units.ladderKg, lane.weightKg, direction) }
        : lane,
    )
  const hook = (direction: 1 | -1): void =>
    onChosen(lane => ({ ...lane, hookSize: stepHook(lane.hookSize, direction) }))
  const shift = (by: 1 | -1): void =>
    spread.edit(draft => {
      const from = draft.lanes.findIndex(l => l.letter === chosen.value?.letter)
      draft.lanes = moved(draft.lanes, from, from + by)
    })
  const remove = (letter: Letter | undefined): void =>
    spread.edit(draft => {
      if (draft.lanes.length > 1) draft.lanes = draft.lanes.filter(l => l.letter !== letter)
    })

  const laneKeys: KeyCommand[] = [
    {
      keys: '1 … 5',
      says: 'choose a rig',
      on: ['1', '2', '3', '4', '5'],
      run: event =>
        void (spread.picked = spread.content.lanes[Number(event.key) - 1]?.letter ?? spread.picked),
    },
    {
      keys: '. ,',
      says: 'weight of the chosen rig up, down',
      on: ['.', ','],
      run: event => weigh(event.key === '.' ? 1 : -1),
    },
    {
      keys: '+ −',
      says: 'hook size of the chosen rig up, down',
      on: ['+', '=', '-'],
      run: event => hook(event.key === '-' ? -1 : 1),
    },
    {
      keys: '< >',
      says: 'move the chosen rig left, right',
      on: ['<', '>'],
      run: event => shift(event.key === '>' ? 1 : -1),
    },
    {
      keys: 'Delete',
      says: 'remove the chosen rig',
      on: ['delete'],
      run: () => remove(chosen.value?.letter),
    },
    { keys: 'Space', says: 'drop the rigs, or pause', on: [' '], run: actions.drop },
  ]
  const keys: KeyCommand[] = [
    ...(withLanes ? laneKeys : []),
    { keys: 'Ctrl Z', says: 'undo', on: ['meta_z'], run: () => steps().undo() },
    {
      keys: 'Ctrl Shift Z',
      says: 'redo',
      on: ['meta_shift_z', 'meta_y'],
      run: () => steps().redo(),
    },
    { keys: 'Ctrl S', says: 'save', on: ['meta_s'], run: () => actions.save() },
    {
      keys: 'Ctrl K or /',
      says: 'find a command',
      on: ['meta_k', '/'],
      run: actions.showPalette,
    },
    { keys: '?', says: 'show these keys', on: ['?'], run: actions.showKeys },
  ]

  const palette = computed<PaletteEntry[]>(() => [
    { label: 'Go to the Spread', icon: 'i-lucide-columns-3', onSelect: () => actions.go('spread') },
    { label: 'Go to the Bench', icon: 'i-lucide-ruler', onSelect: () => actions.go('bench') },
    { label: 'Go to the Tank', icon: 'i-lucide-waves', onSelect: () => actions.go('tank') },
    { label: 'Go to the Cover', icon: 'i-lucide-trees', onSelect: () => actions.go('cover') },
    { label: 'Go to the Strike', icon: 'i-lucide-fish', onSelect: () => actions.go('strike') },
    { label: 'Pick a rig for me', icon: 'i-lucide-target', onSelect: () => actions.go('pick') },
    { label: 'Go to the Rods', icon: 'i-lucide-calendar-range', onSelect: () => actions.go('rods') },
    { label: 'Go to the Log', icon: 'i-lucide-notebook-pen', onSelect: () => actions.go('log') },
    { label: 'Bank mode', icon: 'i-lucide-smartphone', onSelect: () => void navigateTo('/bank') },
    {
      label: 'Take it to the bank: pair a phone',
      icon: 'i-lucide-qr-code',
      onSelect: () => void navigateTo('/take'),
    },
    { label: 'Go to the Box', icon: 'i-lucide-package', onSelect: () => actions.go('box') },
    { label: 'Save', icon: 'i-lucide-save', kbds: ['Ctrl', 'S'], onSelect: () => actions.save() },
    { label: 'Save as a new spread', icon: 'i-lucide-copy-plus', onSelect: () => actions.save(true) },
    { label: 'Open a saved spread', icon: 'i-lucide-folder-open', onSelect: actions.showSpreads },
    { label: 'Start a new spread', icon: 'i-lucide-file-plus', onSelect: actions.startNew },
    { label: 'Drop the rigs', icon: 'i-lucide-play', kbds: ['Space'], onSelect: actions.drop },
    ...(spread.content.lanes.length < 5
      ? FAMILY_IDS.map(id => ({
          label: `Add a rig: ${FAMILIES[id].name}`,
          icon: 'i-lucide-plus',
          onSelect: () => spread.addLane(id),
        }))
      : []),
    {
      label: `Remove rig ${chosen.value?.letter}`,
      icon: 'i-lucide-trash-2',
      kbds: ['Delete'],
      onSelect: () => remove(chosen.value?.letter),
    },
    ...UNIT_SYSTEMS.map(id => ({
      label: `Units: ${id}`,
      icon: 'i-lucide-ruler',
      onSelect: () => void (settings.system = id),
    })),
    ...THEMES.map(id => ({
      label: `Theme: ${id}`,
      icon: 'i-lucide-sun',
      onSelect: () => void (settings.theme = id),
    })),
    { label: 'Words used here', icon: 'i-lucide-book-open', onSelect: actions.showWords },
    { label: 'Show the keys', icon: 'i-lucide-keyboard', kbds: ['?'], onSelect: actions.showKeys },
  ])

  return { keys, palette }
}
