import { defineShortcuts } from '#imports'
import { useActiveElement } from '@vueuse/core'
import { computed } from 'vue'

/** A key or chord and what it does; the list is shown as it stands by the help sheet. */
export interface KeyCommand {
  /** as written in the help: "Space", "Ctrl Z" */ readonly keys: string
  readonly says: string
  /** as the shortcuts know them: "meta_z" is Ctrl Z, or Cmd Z */ readonly on: readonly string[]
  readonly run: (event: KeyboardEvent) => void
}

/** What has keys of its own while the focus is in it. */
const OWN_KEYS = '[role=dialog], [role=listbox], [role=menu]'
/** What the space bar presses (no link: who came by one drops the rigs), and what arrows move. */
const PRESSED = 'button, summary, [role=combobox]'
const MOVED = '[role=slider], [role=combobox]'
/** Chords that a field has for itself. */
const OF_FIELDS: ReadonlySet<string> = new Set(['meta_z', 'meta_shift_z', 'meta_y'])

/** Whether a plain key belongs to what has the focus. */
const taken = (key: string, focused: Element | null | undefined): boolean =>
  !!focused &&
  (!!focused.closest(OWN_KEYS) ||
    (key === ' ' && !!focused.closest(PRESSED)) ||
    (/arrow|home/.test(key) && !!focused.closest(MOVED)))

/** Listens for the commands while the component lives: chords everywhere, plain keys where nothing has its own. */
export function useKeys(commands: readonly KeyCommand[]): void {
  const focused = useActiveElement()
  const heard = computed(() =>
    commands.flatMap(({ on, run }) =>
      on
        .filter(key => key.startsWith('meta_') || !taken(key, focused.value))
        .map(key => {
          const usingInput = key.startsWith('meta_') && !OF_FIELDS.has(key)
          return [key, { usingInput, handler: run }] as const
        }),
    ),
  )
  defineShortcuts(computed(() => Object.fromEntries(heard.value)))
}
