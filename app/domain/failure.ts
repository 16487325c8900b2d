/** Why something could not be written. */
export type FailureCode = 'full' | 'closed' | 'refused' | 'gone' | 'other'

export interface WriteFailure {
  readonly code: FailureCode
  readonly detail: string
}

/** An error of our own that says its code. */
export class WriteError extends Error {
  constructor(
    readonly code: FailureCode,
    message: string,
  ) {
    super(message)
  }
}

const codes: Readonly<Record<string, FailureCode>> = {
  QuotaExceededError: 'full',
  DatabaseClosedError: 'closed',
  InvalidStateError: 'closed',
  VersionError: 'closed',
  $ZodError: 'refused',
  ZodError: 'refused',
}

/** Turns somebody else's exception into our code, the cause kept as words. */
export function failureOf(error: unknown): WriteFailure {
  const inner = (error as { inner?: unknown } | undefined)?.inner
  const detail = error instanceof Error ? error.message : String(error)
  if (error instanceof WriteError) return { code: error.code, detail }
  for (const one of [error, inner]) {
    const code = codes[(one as { name?: string } | undefined)?.name ?? '']
    if (code) return { code, detail }
  }
  return { code: 'other', detail }
}
