import { t, withTexts, textOf } from '../../messages/page'
import { computed } from 'vue'
import { conditionStart } from '../../core/effects/conditions'
import type { LightState, Trigger } from '../../core/effects/effect'
import { timingOf } from '../../core/effects/registry'
import { isWaiting } from '../../core/light/animation'
import { lightsIn } from '../../core/edits/light-edits'
import { lightIds } from '../../core/terms/light'
import { EFFECT_MESSAGES } from '../../core/wording/effect-messages'
import { conditionMessage, lightTargetMessage } from '../../core/text/light-messages'
import { triggeredState } from '../../core/timeline/marks'
import type { StackItem } from '../../core/document/light'
import type { LightView } from './light-view'

/** The contents of one effect's strip: its light over time, and the texts of its lights and condition. */
export function useStripShown(props: { item: StackItem; work: LightView }) {
  const entry = computed(() => (props.item.kind === 'effect' ? props.item : undefined))
  const stack = computed(() => props.work.lowered([props.item]))

  /** An effect without a trigger on this timeline is drawn faintly, as if it were triggered. */
  const idle = computed(() => {
    const [own] = stack.value
    const { windowMs, state } = props.work
    if (!own) return false
    return !Array.from({ length: 24 }, (_, at) => Math.floor((at * windowMs.value) / 24)).some((ms) => {
      const now = state(ms)
      return now && conditionStart(own.when, now, ms) !== undefined && !isWaiting(own.effect, now)
    })
  })
  const drawn = computed(() =>
    idle.value ? stack.value.map((own) => ({ ...own, when: { kind: 'always' } as const })) : stack.value,
  )
  const stateDrawn = computed(() => (ms: number): LightState | undefined => {
    const now = props.work.state(ms)
    const { unlit, model, windowMs } = props.work
    const [own] = stack.value
    if (!idle.value || !now || !own || !unlit.value || !model.value) return now
    return triggeredState(now, ms, own, {
      profile: unlit.value,
      model: model.value,
      windowMs: windowMs.value,
    })
  })
  /** A keyboard has too many lights for a row each, so only those of the effect have one. */
  const MAX_ROWS = 16
  const lightRows = computed(() => {
    const { model } = props.work
    if (!entry.value || !model.value) return undefined
    const all = lightIds(model.value)
    return all.length <= MAX_ROWS
      ? undefined
      : lightsIn(model.value, entry.value.where).map((id) => all.indexOf(id))
  })

  const about = computed(() => {
    const { value } = entry
    const { model, context } = props.work
    if (!value || !model.value || !context.value) return { what: t('light.unknownKeptUnchanged'), when: '' }
    const kind = textOf(EFFECT_MESSAGES[value.effect.kind].name)
    const [own] = stack.value
    const timing = own && timingOf(own.effect)
    const ready = value.when.kind === 'always' && timing?.moves === 'after' ? SET_OFF[timing.what] : undefined
    const where = textOf(lightTargetMessage(value.where, model.value))
    return {
      what: value.name ? `${kind} · ${where}` : where,
      when: [
        ready ?? textOf(conditionMessage(value.when, context.value)),
        ...(value.opacity < 100 ? [t('light.opacity2', { opacity: value.opacity })] : []),
        ...(value.mix === 'adds' ? [t('light.adds')] : []),
      ].join(' · '),
    }
  })

  return { entry, drawn, stateDrawn, idle, lightRows, about }
}

/** The triggers of effects that start on an event, as labels of their strips. */
const SET_OFF: Record<Trigger, string> = withTexts(
  {},
  { press: 'light.onEachPress', layer: 'light.whileLayersAreActive', countdown: 'light.duringACountdown' },
)
