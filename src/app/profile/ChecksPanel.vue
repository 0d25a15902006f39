<script setup lang="ts">
import { t, withTexts, textOf } from '../../messages/page'
import { computed } from 'vue'
import { useRouter } from 'vue-router'
import { findingMessage, type Finding } from '../../core/checks/checks'
import FixButtons from '../shared/FixButtons.vue'
import { useEditor } from '../stores/editor'

/** The findings of the checks in the open profile, each with a link to its place and, if available, a fix. */
const props = defineProps<{ findings: Finding[] }>()
const editor = useEditor()
const router = useRouter()

const errors = computed(() => props.findings.filter(({ severity }) => severity === 'error').length)
const headline = computed(() => {
  const count = props.findings.length
  if (count === 0) return t('profile.noWarnings')
  return errors.value > 0
    ? t('profile.errorToFixBeforeWriting', { count: errors.value })
    : t('profile.warning', { count })
})

const VIEW_NAMES = withTexts(
  {},
  { buttons: 'profile.buttons', motion: 'profile.motion', light: 'profile.light' },
)

function goTo({ view, at }: Finding): void {
  const query = { ...(at?.input && { input: at.input }), ...(at && { layer: at.layer }) }
  void router.push({ path: `/profile/${editor.openId}/${view}`, query })
}
</script>

<template>
  <v-menu
    location="top start"
    :close-on-content-click="false"
    :activator-props="{ 'aria-haspopup': 'dialog' }"
  >
    <template #activator="{ props: activator }">
      <v-btn
        variant="plain"
        class="text-12 disabled:no-underline"
        :class="{ trouble: errors > 0 }"
        :disabled="findings.length === 0"
        v-bind="activator"
      >
        {{ headline }}
      </v-btn>
    </template>
    <v-card
      class="max-h-[60vh] w-[min(560px,90vw)] overflow-auto px-4.5 py-3.5"
      role="dialog"
      :aria-label="t('profile.checks')"
    >
      <h2>{{ t('profile.checks') }}</h2>
      <ul class="mx-0 my-2 list-none p-0">
        <li
          v-for="finding in findings"
          :key="textOf(findingMessage(finding))"
          class="grid grid-cols-[22px_minmax(0,1fr)] gap-2.5 border-t border-line px-0 py-2.25"
        >
          <span class="mark" :class="finding.severity" aria-hidden="true">{{
            finding.severity === 'error' ? '!' : '?'
          }}</span>
          <div>
            <p>
              <span class="visually-hidden">{{
                finding.severity === 'error' ? t('profile.error') : t('profile.warning2')
              }}</span>
              {{ textOf(findingMessage(finding)) }}
            </p>
            <div class="mt-1.5 flex flex-wrap gap-1.5">
              <v-btn size="small" @click="goTo(finding)">
                {{
                  finding.at?.input
                    ? t('profile.show')
                    : t('profile.open', { view: VIEW_NAMES[finding.view] })
                }}
              </v-btn>
              <FixButtons :fixes="finding.fixes" />
            </div>
          </div>
        </li>
      </ul>
      <p class="caption">
        {{ t('profile.errorsMarkedPreventWritingWarnings') }}
      </p>
    </v-card>
  </v-menu>
</template>

<style scoped>
.trouble {
  color: var(--pending);
  font-weight: 620;
}

.mark {
  display: grid;
  width: 22px;
  height: 22px;
  border: 1px solid var(--ink-soft);
  border-radius: 4px;
  font-weight: 650;
  place-items: center;
}

.mark.error {
  border-color: var(--pending);
  background: var(--pending-wash);
  color: var(--pending);
}
</style>
