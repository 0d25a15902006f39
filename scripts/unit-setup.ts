import fc from 'fast-check'
import { vi } from 'vitest'
import { loadMessages } from '../src/messages/page'
import { englishAreas } from './messages'
import { englishText } from '../src/messages/plain'
import { setLogText } from '../src/core/base/errors'
import { runs } from '../src/core/base/runs.test-support'

/** For property tests without their own number of runs. */
fc.configureGlobal(runs(100))

/** On a busy machine, tests wait longer; only what never happens reaches the limit. */
const { waitFor } = vi
vi.waitFor = (callback, options) =>
  waitFor(callback, typeof options === 'number' ? options : { timeout: 30_000, ...options })

await loadMessages(englishAreas())
setLogText(englishText)
