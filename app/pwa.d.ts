/** Made by the offline package when the application is built. */
declare module 'virtual:pwa-register' {
  /** @returns loads the newer build, and the page with it */
  export function registerSW(options: {
    readonly immediate?: boolean
    readonly onNeedRefresh?: () => void
  }): (reloadPage?: boolean) => Promise<void>
}
