import { useEventListener } from '@vueuse/core'
/** A key or chord and what it does; the list is shown as it stands by the help sheet. */
export interface KeyCommand {
  /** as written in the help: "Space", "Ctrl Z" */ readonly keys: string
  readonly says: string
  readonly matches: (event: KeyboardEvent) => boolean
  readonly run: (event: KeyboardEvent) => void
}

/**
 * A letter or sign without modifiers. Shift is ignored, since signs like ? and + need it on some keyboards.
 */
export const plain =
  (...keys: readonly string[]) =>
  (event: KeyboardEvent): boolean =>
    !event.ctrlKey && !event.metaKey && !event.altKey && keys.includes(event.key)

/** Ctrl or Cmd with a letter. */
export const chord =
  (letter: string, shift = false) =>
  (event: KeyboardEvent): boolean =>
    (event.ctrlKey || event.metaKey) &&
    !event.altKey &&
    event.shiftKey === shift &&
    event.key.toLowerCase() === letter

/** True where the key belongs to a field, a list or an open sheet rather than to the page. */
function taken(event: KeyboardEvent): boolean {
  const target = event.target as HTMLElement | null
  if (!target?.closest) return false
  if (target.closest('input, textarea, [contenteditable=true]')) return true
  if (document.querySelector('[role=dialog][data-state=open], [role=listbox], [role=menu][data-state=open]'))
    return true
  if (/^(Arrow|Home|End|Page)/.test(event.key) && target.closest('[role=slider]')) return true
  return (
    (event.key === ' ' || event.key === 'Enter') &&
    target.closest('button, a, summary, select, [role=combobox]') !== null
  )
}

/**
 * Listens for the commands while the component lives. Chords work everywhere, plain keys only outside fields.
 */
export function useKeys(commands: readonly KeyCommand[]): void {
  useEventListener(window, 'keydown', (event: KeyboardEvent) => {
    const chorded = event.ctrlKey || event.metaKey
    const inField = (event.target as HTMLElement | null)?.closest?.('input, textarea') !== null
    const found = commands.find(command => command.matches(event))
    if (!found || (!chorded && taken(event)) || (chorded && inField && event.key.toLowerCase() === 'z'))
      return
    event.preventDefault()
    found.run(event)
  })
}
