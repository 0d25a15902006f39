/**
 * Freezes plain data through and through, for development: what is meant never to change then says so at once where
 * something changes it.
 *
 * @returns the same value
 */
export function frozen<T>(value: T): T {
  if (typeof value !== 'object' || value === null || Object.isFrozen(value)) return value
  Object.freeze(value)
  for (const part of Object.values(value)) frozen(part)
  return value
}
