/** Input the command refuses: printed on standard error, exit code 2. */
export class Refused extends Error {
  override name = 'Refused'
}
