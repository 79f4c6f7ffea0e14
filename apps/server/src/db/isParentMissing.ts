const FOREIGN_KEY_VIOLATION = '23503';

/** Whether an insert failed because what it belongs to is not there. */
export const isParentMissing = (error: unknown): boolean =>
  (error as { driverError?: { code?: string } }).driverError?.code === FOREIGN_KEY_VIOLATION;
