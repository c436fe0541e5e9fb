import { useToast } from '#imports'

/** What keeps named things on the server, as far as taking one away goes. */
interface Keeper {
  readonly remove: (id: string) => Promise<boolean>
  readonly restore: (id: string) => Promise<unknown>
}

/** How long a deletion can be taken back where it is told, ms. */
const TOLD_MS = 15_000

/**
 * Deletes a kept thing and says so, with a way back.
 * @param gone what else follows once it is gone
 */
export function useRemoval(
  { remove, restore }: Keeper,
  gone?: (id: string) => void,
): (one: { readonly id: string; readonly name: string }) => Promise<void> {
  const toast = useToast()
  return async ({ id, name }) => {
    if (!(await remove(id))) return
    gone?.(id)
    toast.add({
      title: `Deleted: ${name}`,
      duration: TOLD_MS,
      actions: [{ label: 'Undo', color: 'neutral', variant: 'outline', onClick: () => void restore(id) }],
    })
  }
}
