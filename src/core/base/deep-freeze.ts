/**
 * Freezes plain data deeply, for development: any code that changes immutable data then fails at once.
 *
 * @returns the same value
 */
export function deepFreeze<T>(value: T): T {
  if (typeof value !== 'object' || value === null || Object.isFrozen(value)) return value
  Object.freeze(value)
  for (const part of Object.values(value)) deepFreeze(part)
  return value
}
