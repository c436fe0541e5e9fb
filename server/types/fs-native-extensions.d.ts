/** What is used of the package, which brings no types. */
declare module 'fs-native-extensions' {
  /**
   * Takes a lock of the open file description on the whole file, without waiting.
   * @returns false where another holds it
   */
  export function tryLock(descriptor: number): boolean
}
