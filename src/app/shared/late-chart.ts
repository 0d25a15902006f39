import { defineAsyncComponent } from 'vue'

/** Loads the chart with its library when it is first shown. */
export default defineAsyncComponent(() => import('./FigureChart.vue'))
