import type { FieldError } from '#schemas/spread'

/** A refusal of the server in words, with the fields it names. */
export class ServerRefusal extends Error {
  constructor(readonly status: number, message: string, readonly fields: readonly FieldError[]) {
    super(message)
    this.name = 'ServerRefusal'
  }
}

/** Asks the server. @throws ServerRefusal with a sentence for the person */
export async function ask<T>(path: string, method: 'GET' | 'POST' | 'PUT' | 'DELETE' = 'GET', body?: object): Promise<T> {
  try {
    return await $fetch(path, { method, ...(body ? { body } : {}), retry: 0 }) as T
  }
  catch (error) {
    throw refusalOf(error)
  }
}

function refusalOf(error: unknown): ServerRefusal {
  const { statusCode = 0, data } = error as { statusCode?: number, data?: { message?: string, data?: { fields?: FieldError[] } } }
  if (statusCode === 0) return new ServerRefusal(0, 'The server does not answer. What is on the sheet is kept on this device.', [])
  return new ServerRefusal(statusCode, data?.message ?? `The server refused (${statusCode}).`, data?.data?.fields ?? [])
}
