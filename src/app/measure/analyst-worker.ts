import { expose } from 'comlink'
import { reportFaultsOfWorker } from '../../faults/report'
import { analysePolling } from '../../core/measure/polling'

reportFaultsOfWorker('measuring')

/** Analyses long recordings, so that the page continues to receive the mouse. */
const analyst = { polling: (timesMs: Float64Array) => analysePolling(timesMs) }

export type Analyst = typeof analyst
expose(analyst)
