<script setup lang="ts">
import { t } from '../../messages/page'
import { RichMessage } from '../../messages/rich-message'
import { computed, ref, watch } from 'vue'
import { profilePower } from '../../core/terms/profile-power'
import type { LightView } from './light-view'
import { decimal } from '../shared/numbers'

/** The current of the light, and the effect of the latest change. */
const props = defineProps<{ work: LightView }>()
const figures = computed(() => props.work.figures.value)
const hours = computed(() => {
  const { profile, model } = props.work
  const wireless = model.value?.connections.find(({ id }) => id === 'receiver')
  if (!profile.value || !model.value || !wireless) return undefined
  return profilePower(profile.value, model.value, wireless)?.hoursInHand
})
const change = ref(0)
watch(hours, (now, before) => {
  change.value = now !== undefined && before !== undefined ? Math.round(now - before) : 0
})
const limited = computed(() => props.work.driven.value?.limited ?? false)
</script>

<template>
  <div class="contents" role="status">
    <p v-if="figures && work.model.value" class="m-0">
      <RichMessage message="light.lightDrawsUpTo">
        <template #mean
          ><span class="mono">{{ t('light.ma', { ma: decimal(figures.meanMa, 1) }) }}</span></template
        >
        <template #peak
          ><span class="mono">{{ t('light.ma', { ma: decimal(figures.peakMa, 1) }) }}</span></template
        >
      </RichMessage>
      <template v-if="hours !== undefined">
        {{ ' ' }}
        <RichMessage message="light.ofUse">
          <template #hours
            ><span class="mono">{{ t('light.h', { count: Math.round(hours) }) }}</span></template
          >
        </RichMessage>
        {{ ' ' }}
        <strong v-if="change < 0" class="text-pending">{{
          t('light.hLessThanBefore', { hours: -change })
        }}</strong>
        <strong v-else-if="change > 0" class="text-motion">{{
          t('light.hMoreThanBefore', { hours: change })
        }}</strong>
      </template>
      <template v-if="figures.limited || limited">
        {{ ' ' }}
        <RichMessage message="light.dimmedToStayBelow">
          <template #limit
            ><span class="mono">{{
              t('light.ma', { ma: work.model.value.electrical.limitMa })
            }}</span></template
          >
        </RichMessage>
      </template>
    </p>
  </div>
</template>
