import fc from 'fast-check'
import { runs } from '../src/core/base/runs.test-support'

/** For properties that say nothing of their own. */
fc.configureGlobal(runs(100))
