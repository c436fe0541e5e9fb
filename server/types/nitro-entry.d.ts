/** Nitro's own: set-up of the runtime that must come before everything else. */
declare module '#nitro-internal-pollyfills'
/** A program for a thread, built beside the server; its address. */
declare module '*?thread' {
  const address: URL
  export default address
}
