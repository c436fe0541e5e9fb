/** Best of many runs, ms: what the code costs when nothing else wants the machine. */
export function best(work: () => unknown, times: number): number {
  let least = Infinity
  for (let i = 0; i < times; i++) {
    const begun = performance.now()
    work()
    least = Math.min(least, performance.now() - begun)
  }
  return least
}
