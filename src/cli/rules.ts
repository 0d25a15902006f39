import { createInterface } from 'node:readline'
import { findRule, type AppRules, type RuleTarget } from '../core/computer/app-rules'
import { COMMAND, encodeRequest } from '../core/link/packets'

/** Id of the feature report that carries the link (docs/link-protocol.md). */
const LINK_REPORT = 16

/**
 * Reads names of programs, one per line, as they come to the front, and prints what a helper would send: one line per
 * device with program, rule, model, slot, and the feature report with its id, in hex. Each line is answered at once, so
 * that another program can read along.
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
    const { at, use } = findRule(rules, program)
    const met = at === undefined ? 'no rule' : `rule ${at + 1}`
    if (use.length === 0) say([program, met, 'no report is sent'].join('\t'))
    for (const target of use) {
      if (target.slot !== undefined) sequence = (sequence + 1) % 256
      say([program, met, target.device, ...sent(target, sequence)].join('\t'))
    }
  }
}

function sent({ slot, profile }: RuleTarget, sequence: number): string[] {
  if (slot === undefined) return [`the file does not name the slot of “${profile}”`]
  const request = encodeRequest(sequence, COMMAND.select, Uint8Array.of(slot))
  return [`slot ${slot + 1}`, Buffer.from([LINK_REPORT, ...request]).toString('hex')]
}
