const CODES = new Set(['57P01', '57P02', '57P03', '53300', 'ECONNREFUSED', 'ECONNRESET', 'EPIPE', 'ETIMEDOUT']);

/** Whether an error says that the database is away for the moment (restarting, out of connections, connection cut). */
export function isUnavailable(error: unknown): boolean {
  if (typeof error !== 'object' || error === null) return false;
  const { code, driverError, message } = error as { code?: string; driverError?: unknown; message?: string };
  if (code !== undefined && (CODES.has(code) || code.startsWith('08'))) return true;
  if (message?.includes('Connection terminated')) return true;
  return driverError !== undefined && driverError !== error && isUnavailable(driverError);
}
