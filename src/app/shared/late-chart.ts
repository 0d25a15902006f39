import { defineAsyncComponent } from 'vue'

/** The chart comes with its library when the first one is shown. */
export default defineAsyncComponent(() => import('./FigureChart.vue'))
