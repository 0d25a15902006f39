import { createInterface } from 'node:readline'
import { ruleFor, type AppRules, type RuleTarget } from '../core/computer/app-rules'
import { COMMAND, encodeRequest } from '../core/link/packets'

/** Id of the feature report that carries the link (docs/link-protocol.md). */
const LINK_REPORT = 16

/**
 * Takes names of programs, a line each as each comes to the front, and says what a helper would send: a line a device, of
 * program, rule, model, slot, and the feature report with its id, in hex. What comes in is answered at once, so another
 * program can read along.
 */
export async function followPrograms(
  rules: AppRules,
  programs: NodeJS.ReadableStream,
  say: (line: string) => void,
): Promise<void> {
  let sequence = 0
  for await (const line of createInterface({ input: programs, crlfDelay: Infinity })) {
    const program = line.trim()
    if (program === '') continue
    const { at, use } = ruleFor(rules, program)
    const met = at === undefined ? 'no rule' : `rule ${at + 1}`
    if (use.length === 0) say([program, met, 'nothing is sent'].join('\t'))
    for (const target of use) {
      if (target.slot !== undefined) sequence = (sequence + 1) % 256
      say([program, met, target.device, ...sent(target, sequence)].join('\t'))
    }
  }
}

function sent({ slot, profile }: RuleTarget, sequence: number): string[] {
  if (slot === undefined) return [`the file does not say which slot holds “${profile}”`]
  const request = encodeRequest(sequence, COMMAND.select, Uint8Array.of(slot))
  return [`slot ${slot + 1}`, Buffer.from([LINK_REPORT, ...request]).toString('hex')]
}
