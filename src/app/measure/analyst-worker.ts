import { expose } from 'comlink'
import { reportFaultsOfWorker } from '../../faults/report'
import { analysePolling } from '../../core/measure/polling'

reportFaultsOfWorker('measuring')

/** Long recordings are looked at here, so that the page goes on hearing the mouse. */
const analyst = { polling: (timesMs: Float64Array) => analysePolling(timesMs) }

export type Analyst = typeof analyst
expose(analyst)
