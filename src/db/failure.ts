const coded =
  (...codes: string[]) =>
  (failure: unknown): boolean =>
    codes.some((code) => String((failure as { code?: unknown } | null)?.code).startsWith(code));

/** What SQLite's and the file system's codes mean for who reads and writes. */
export const isConstraint = coded("SQLITE_CONSTRAINT");
/** For a moment only: worth trying again. */
export const isBusy = coded("SQLITE_BUSY");
export const isHeld = coded("SQLITE_BUSY", "SQLITE_LOCKED");
export const isDamaged = coded("SQLITE_CORRUPT", "SQLITE_NOTADB");
export const isFull = coded("SQLITE_FULL", "ENOSPC");
