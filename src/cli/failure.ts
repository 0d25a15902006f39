/** Refused input: printed on standard error, exit code 2. */
export class CliError extends Error {
  override name = 'CliError'
}
