<script setup lang="ts">
import { t } from '../../messages/page'
import { usePreferredReducedMotion } from '@vueuse/core'
import { computed, ref, watchPostEffect } from 'vue'
import { useTheme } from '../../look/component-library'
import { VChart } from './chart-kit'

/** A chart with its figures as a table below. Lines and bars use the colours of the sheet, in both themes. */
interface Line {
  name: string
  points: readonly (readonly [number, number])[]
  kind?: 'line' | 'bar' | 'points'
  /** A colour of the sheet, by its token. */
  colour?: string
  dashed?: boolean
  right?: boolean
}

const props = defineProps<{
  title: string
  /** The result of the chart, as a sentence. Without it: the first, last, lowest and highest value of each line. */
  result?: string
  lines: readonly Line[]
  x: { name: string; min?: number; max?: number; log?: boolean }
  y: { name: string; min?: number; max?: number; log?: boolean }
  y2?: { name: string; min?: number; max?: number }
  /** Vertical lines at special values. */
  marks?: readonly { at: number; name: string }[]
  columns: readonly string[]
  rows: readonly (readonly (string | number)[])[]
  height?: number
}>()

const theme = useTheme()
const reduced = usePreferredReducedMotion()
const colours = ref<Record<string, string>>({})
const TOKENS = [
  '--ink',
  '--ink-faint',
  '--line',
  '--bar-motion',
  '--bar-binding',
  '--bar-light',
  '--bar-macro',
  '--pending',
]
watchPostEffect(() => {
  const style = theme.value ? getComputedStyle(document.documentElement) : undefined
  colours.value = Object.fromEntries(
    TOKENS.map((token) => [token, style?.getPropertyValue(token) ?? 'black']),
  )
})

const axis = (of: { name: string; min?: number; max?: number; log?: boolean } | undefined) => ({
  type: of?.log ? ('log' as const) : ('value' as const),
  name: of?.name,
  nameTextStyle: { color: colours.value['--ink-faint'] },
  ...(of?.min !== undefined && { min: of.min }),
  ...(of?.max !== undefined && { max: of.max }),
  axisLabel: { color: colours.value['--ink-faint'], fontFamily: 'IBM Plex Mono', fontSize: 12 },
  // At its own edge, even if 0 of the other axis is elsewhere.
  axisLine: { show: true, onZero: false, lineStyle: { color: colours.value['--ink'] } },
  splitLine: { lineStyle: { color: colours.value['--line'] } },
})

const option = computed(() => ({
  animation: reduced.value !== 'reduce',
  animationDuration: 200,
  textStyle: { fontFamily: 'Archivo Variable, sans-serif', color: colours.value['--ink'] },
  grid: { left: 6, right: props.y2 ? 6 : 14, top: 30, bottom: 24, containLabel: true },
  // Drawn on the canvas: the page's policy blocks markup with styles.
  tooltip: { trigger: 'axis' as const, confine: true, renderMode: 'richText' as const },
  xAxis: {
    ...axis(props.x),
    nameLocation: 'middle' as const,
    nameGap: 26,
    splitLine: { show: false },
  },
  yAxis: [
    {
      ...axis(props.y),
      nameTextStyle: { align: 'left' as const, color: colours.value['--ink-faint'] },
    },
    ...(props.y2
      ? [
          {
            ...axis(props.y2),
            splitLine: { show: false },
            nameTextStyle: { align: 'right' as const, color: colours.value['--ink-faint'] },
          },
        ]
      : []),
  ],
  series: props.lines.map(
    ({ name, points, kind = 'line', colour = '--bar-motion', dashed, right }, index) => ({
      name,
      data: points,
      yAxisIndex: right ? 1 : 0,
      type: kind === 'points' ? ('scatter' as const) : kind,
      symbol: kind === 'points' ? 'circle' : 'none',
      symbolSize: 3,
      barCategoryGap: '8%',
      itemStyle: { color: colours.value[colour] },
      lineStyle: {
        color: colours.value[colour],
        width: 2,
        type: dashed ? ('dashed' as const) : ('solid' as const),
      },
      ...(index === 0 &&
        props.marks && {
          markLine: {
            silent: true,
            symbol: 'none',
            animation: false,
            lineStyle: { color: colours.value['--ink'], type: 'solid' as const },
            label: { color: colours.value['--ink'], fontSize: 12 },
            data: props.marks.map((mark) => ({ xAxis: mark.at, label: { formatter: mark.name } })),
          },
        }),
    }),
  ),
}))
const number = (value: number): string => value.toLocaleString(undefined, { maximumFractionDigits: 2 })
/** Describes the chart for a screen reader. */
const spoken = computed(() => {
  if (props.result !== undefined) return `${props.title}. ${props.result}`
  const lines = props.lines.flatMap(({ name, points }) => {
    const [first, last] = [points[0], points.at(-1)]
    if (!first || !last) return []
    const heights = points.map(([, y]) => y)
    return t('shared.atTheStartAtTheEndMinimum', {
      name,
      first: number(first[1]),
      last: number(last[1]),
      min: number(Math.min(...heights)),
      max: number(Math.max(...heights)),
    })
  })
  return [t('shared.by', { title: props.title, y: props.y.name, x: props.x.name }), ...lines].join(' ')
})

/** A table that can be sorted by its headers and only renders visible rows. */
const headers = computed(() => props.columns.map((title, at) => ({ title, key: String(at) })))
const figures = computed(() => props.rows.map((row) => ({ ...row })))
</script>

<template>
  <figure>
    <figcaption>
      <b>{{ title }}</b>
      <span v-for="line in lines" :key="line.name" class="caption inline-flex items-center gap-1.25"
        ><i
          :style="{
            borderTopColor: colours[line.colour ?? '--bar-motion'],
            borderTopStyle: line.dashed ? 'dashed' : 'solid',
          }"
        />{{ line.name }}</span
      >
    </figcaption>
    <VChart
      :option="option"
      autoresize
      :style="{ height: `${height ?? 200}px` }"
      role="img"
      :aria-label="spoken"
    />
    <v-expansion-panels>
      <v-expansion-panel>
        <v-expansion-panel-title>{{ t('shared.showFigures') }}</v-expansion-panel-title>
        <v-expansion-panel-text>
          <v-data-table-virtual
            class="mono"
            :headers="headers"
            :items="figures"
            :item-height="30"
            height="180"
            fixed-header
          >
            <template #colgroup>
              <caption class="visually-hidden">
                {{
                  t('shared.figuresOf', { title })
                }}
              </caption>
            </template>
          </v-data-table-virtual>
        </v-expansion-panel-text>
      </v-expansion-panel>
    </v-expansion-panels>
  </figure>
</template>

<style scoped>
figure {
  min-width: 0;
  margin: 0;
}

figcaption {
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  gap: 2px 14px;
}

i {
  width: 16px;
  border-top: 2.5px solid;
}
</style>
