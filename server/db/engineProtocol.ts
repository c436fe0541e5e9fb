/** What passes between the thread that answers requests and the one that the embedded PostgreSQL works in. */
export type RowMode = 'array' | 'object'

export type Request =
  | {
      readonly kind: 'query'
      readonly id: number
      readonly sql: string
      readonly params: readonly unknown[]
      readonly rowMode: RowMode
    }
  | { readonly kind: 'exec'; readonly id: number; readonly sql: string }
  | { readonly kind: 'close'; readonly id: number }

/** Rows as arrays or objects, times and JSON as text. */
export interface Result {
  readonly rows: readonly unknown[]
  readonly fields: readonly { readonly name: string; readonly dataTypeID: number }[]
  readonly affectedRows?: number
}

/** An error of the engine as it can travel; `code` is PostgreSQL's, or the system's. */
export interface Failure {
  readonly message: string
  readonly code: string | undefined
  readonly detail: string | undefined
  readonly constraint: string | undefined
}

export type Answer =
  | { readonly kind: 'open' }
  | { readonly kind: 'failed'; readonly failure: Failure }
  | { readonly kind: 'done'; readonly id: number; readonly result: Result }
  | { readonly kind: 'refused'; readonly id: number; readonly failure: Failure }
