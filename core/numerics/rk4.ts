/** Writes the time derivative of y into dy. */
export type Derivative = (y: Float64Array, dy: Float64Array) => void

/**
 * The classical fourth-order Runge–Kutta step with its own working space (Hairer, Nørsett & Wanner, Solving
 * ODEs I, II.1).
 * @param size number of state variables
 * @returns a function that advances y in place by `step`; the error of one step is of order step^5
 */
export function rungeKutta4(size: number, derivative: Derivative): (y: Float64Array, step: number) => void {
  const k1 = new Float64Array(size)
  const k2 = new Float64Array(size)
  const k3 = new Float64Array(size)
  const k4 = new Float64Array(size)
  const probe = new Float64Array(size)
  const move = (y: Float64Array, k: Float64Array, by: number): void => {
    for (let i = 0; i < size; i++) probe[i] = y[i]! + by * k[i]!
  }
  return (y, step) => {
    derivative(y, k1)
    move(y, k1, step / 2)
    derivative(probe, k2)
    move(y, k2, step / 2)
    derivative(probe, k3)
    move(y, k3, step)
    derivative(probe, k4)
    for (let i = 0; i < size; i++) y[i]! += (step / 6) * (k1[i]! + 2 * k2[i]! + 2 * k3[i]! + k4[i]!)
  }
}
